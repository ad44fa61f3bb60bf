import { expose } from 'comlink';
import { COMPUTATION } from './computation.tasks.ts';
import { createTaskApi } from './taskApi.ts';

expose(createTaskApi(COMPUTATION));
