import { OpenAPIHono, type z } from '@hono/zod-openapi';
import { errorSchema, jobStartedSchema } from '@ivlen/contract';
import { DomainError } from '../errors/domain-error';
import { sentenceAbout, speakOfRequests } from './request-words';

speakOfRequests();

/** A router whose validation errors are sentences, like all others. */
export function createApi(): OpenAPIHono {
  return new OpenAPIHono({
    defaultHook: (result) => {
      if (!result.success) throw invalidRequest(result.error.issues, result.target);
    },
  });
}

/** What is wrong with a request, from the first issue that its schema found. */
export function invalidRequest([issue]: readonly z.core.$ZodIssue[], part: string): DomainError {
  return new DomainError('invalid-request', issue ? sentenceAbout(issue, part) : 'The request is not what was expected.', {
    where: issue?.path.join('.') || part,
    hint: 'Correct this part and try again; if you did not write it yourself, reload the page.',
  });
}

/** JSON that a route answers with; anything else it says is an error. */
export function jsonResponses<S>(schema: S, description: string) {
  return {
    200: { description, content: { 'application/json': { schema } } },
    default: { description: 'What went wrong', content: { 'application/json': { schema: errorSchema } } },
  } as const;
}

/** The same of what may take longer than a second. */
export function jobResponses<S>(schema: S, description: string) {
  return {
    ...jsonResponses(schema, description),
    202: { description: 'The job that goes on', content: { 'application/json': { schema: jobStartedSchema } } },
  } as const;
}

/** A JSON body; required, so that another content type is refused instead of being taken for an empty object. */
export function jsonBody<S>(schema: S) {
  return { required: true, content: { 'application/json': { schema } } } as const;
}
