import { expose } from 'comlink';
import { createHeatApi } from './heatApi.ts';

expose(createHeatApi());
