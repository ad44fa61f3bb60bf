import { kitJsonSchema } from '../../kit/jsonSchema.ts';
import { documentOf } from '../../server/openapi.ts';

export const GET = async (): Promise<Response> => documentOf(await kitJsonSchema());
