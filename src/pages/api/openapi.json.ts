import { version } from '../../../package.json';
import { documentOf, openApi } from '../../server/openapi.ts';

export const GET = async (): Promise<Response> => documentOf(await openApi(version));
