import { expose } from 'comlink';
import { FILES } from './files.tasks.ts';
import { createTaskApi } from './taskApi.ts';

expose(createTaskApi(FILES));
