import { toJsonSchema } from '@valibot/to-json-schema';
import type * as v from 'valibot';
import type { AnyEndpoint } from '../endpoints';
import { ProblemDetails, PROBLEMS } from '../problems';
import { RECIPE_FORMAT, RecipeFile } from '../spawning';
import { API } from './api';

const schemaOf = (schema: v.GenericSchema) => toJsonSchema(schema, { errorMode: 'ignore', typeMode: 'input' });

/** The JSON Schema of a recipe file, for those who write or read one with other programs; checks across fields stay ours. */
export const recipeFileSchema = (): object => ({ ...schemaOf(RecipeFile), title: 'A spawning recipe', $id: RECIPE_FORMAT });

/** The OpenAPI 3.1 description of the whole interface, drawn from the endpoint table. */
export function openApi(): object {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const [operationId, line] of Object.entries(API) as [string, AnyEndpoint][]) {
    const path = line.path.replace(/:([A-Za-z]+)/g, '{$1}');
    const parameters = [...line.path.matchAll(/:([A-Za-z]+)/g)].map((match) => ({
      name: match[1],
      in: 'path',
      required: true,
      schema: { type: 'string' },
    }));
    const asked = line.sends === 'image' ? line.body : line.query;
    const query = asked ? (schemaOf(asked) as { properties?: Record<string, object> }).properties : undefined;
    for (const [name, schema] of Object.entries(query ?? {}))
      parameters.push({ name, in: 'query', required: false, schema: schema as { type: string } });
    (paths[path] ??= {})[line.method.toLowerCase()] = {
      operationId,
      summary: line.summary,
      tags: [path.split('/')[2]],
      'x-least-role': line.role ?? 'none',
      parameters,
      ...(line.sends === 'image'
        ? { requestBody: { required: true, content: { 'image/*': { schema: { type: 'string', format: 'binary' } } } } }
        : line.body
          ? { requestBody: { required: true, content: { 'application/json': { schema: schemaOf(line.body) } } } }
          : {}),
      responses: {
        200: {
          description: 'OK',
          content:
            line.answers === 'image'
              ? { 'image/jpeg': { schema: { type: 'string', format: 'binary' } } }
              : { 'application/json': { schema: schemaOf(line.reply) } },
        },
        default: { description: 'A problem', content: { 'application/problem+json': { schema: schemaOf(ProblemDetails) } } },
      },
    };
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Freshet', version: '1', description: `Problem codes: ${Object.keys(PROBLEMS).join(', ')}` },
    paths,
  };
}
