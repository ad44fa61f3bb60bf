import { createHeatClient, type HeatClient, startHeatWorker } from '../../workers/heat.client.ts';

let client: HeatClient | null = null;

/** The one heat worker of this page; it starts when first asked. */
export function heatWorker(): HeatClient {
  client ??= createHeatClient(startHeatWorker);
  return client;
}
