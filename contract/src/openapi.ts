import { Problem } from './problems';
import * as z from 'zod/mini';
import { ENDPOINTS } from './all';

const json = (schema: z.ZodMiniType) => {
  const { $schema: _, ...rest } = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' });
  return { 'application/json': { schema: rest } };
};

const fields = (schema: z.ZodMiniType, where: 'path' | 'query') => {
  const { properties = {}, required = [] } = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' });
  return Object.entries(properties).map(([name, field]) => ({
    name,
    in: where,
    required: where === 'path' || required.includes(name),
    schema: field,
  }));
};

/** OpenAPI 3.1 of the same declarations that the server mounts and the app calls. */
export const openApi = (version: string): Record<string, unknown> => {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const one of ENDPOINTS) {
    const path = `/api${one.path.replace(/:(\w+)/g, '{$1}')}`;
    const takesJson = (one.method === 'POST' || one.method === 'PATCH') && !one.takesBytes;
    (paths[path] ??= {})[one.method.toLowerCase()] = {
      operationId: one.name,
      summary: one.summary,
      'x-roles': one.roles,
      security: one.roles === 'open' ? [] : [{ session: [] }],
      parameters: [
        ...fields(one.params, 'path'),
        ...fields(one.query, 'query'),
        ...(one.versioned ? [{ name: 'If-Match', in: 'header', required: true, schema: { type: 'string' } }] : []),
      ],
      ...(takesJson ? { requestBody: { required: true, content: json(one.body) } } : {}),
      ...(one.takesBytes ? { requestBody: { required: true, content: { 'application/octet-stream': {} } } } : {}),
      responses: {
        200: { description: 'Done.', content: one.gives ? { [one.gives]: {} } : json(one.reply) },
        default: {
          description: 'What went wrong, what is safe and what to do (RFC 9457).',
          content: { 'application/problem+json': json(Problem)['application/json'] },
        },
      },
    };
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Jolly Quay', version },
    components: { securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'quay_session' } } },
    paths,
  };
};
