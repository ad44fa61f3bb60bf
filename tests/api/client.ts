import Ajv, { type ValidateFunction } from 'ajv/dist/2020.js';
import { startServer } from '../../scripts/lib.mjs';

/** The parts of an OpenAPI document that are looked at here. */
interface Contract {
  readonly paths: Readonly<Record<string, Readonly<Record<string, Operation>>>>;
}
interface Operation {
  readonly responses: Readonly<Record<string, object>>;
}

export interface Client {
  readonly address: string;
  /** Asks, and throws where the answer is not as the contract says. */
  readonly ask: (path: string, init?: RequestInit) => Promise<Response>;
  readonly close: () => Promise<unknown>;
}

const REFUSAL = 'contract#/components/schemas/Refusal';

/** JSON pointers write a slash within a name as ~1. */
const pointer = (...parts: readonly string[]): string =>
  parts.map((part) => part.replaceAll('~', '~0').replaceAll('/', '~1')).join('/');

/** What the contract says of every answer: by ajv, which knows nothing of the schemas that the server validates with. */
function answersBy(contract: Contract): (path: string, method: string, status: number) => ValidateFunction {
  const ajv = new Ajv({ strict: false, allErrors: true });
  ajv.addSchema(contract, 'contract');
  return (path, method, status) => {
    const operation = contract.paths[path]?.[method === 'HEAD' ? 'get' : method.toLowerCase()];
    const isWritten = operation?.responses[status] !== undefined;
    // Refusals that can meet any call stand in the description, in the one shape.
    if (!isWritten && ![404, 405, 408, 503].includes(status))
      throw new Error(`${method} ${path} never answers ${status}`);
    const place = `contract#/paths/${pointer(path, method.toLowerCase(), 'responses', String(status), 'content', 'application/json', 'schema')}`;
    const found = ajv.getSchema(isWritten ? place : REFUSAL);
    if (!found) throw new Error(`no schema at ${place}`);
    return found as ValidateFunction;
  };
}

/** A server of the built app, each answer of its calls checked against the contract it publishes. */
export async function openClient(): Promise<Client> {
  const server = await startServer({ demo: false });
  const contract = (await (await fetch(`${server.address}/api/openapi.json`)).json()) as Contract;
  const answers = answersBy(contract);
  return {
    address: server.address,
    close: server.stop,
    async ask(path, init = {}) {
      const response = await fetch(server.address + path, init);
      const call = path.split('?')[0] ?? '';
      if (!call.startsWith('/api/')) return response;
      const method = init.method ?? 'GET';
      const validate = answers(call, method, response.status);
      const body: unknown = await response.clone().json();
      if (!validate(body)) {
        const wrong = JSON.stringify(validate.errors?.slice(0, 3));
        throw new Error(`${method} ${call} ${response.status} is not as the contract says: ${wrong}`);
      }
      return response;
    },
  };
}
