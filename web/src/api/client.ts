import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export type Verdict = Schemas['Verdict'];

/** What the server refused: a short fact, the cure, and the field and value it is about. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly cure: string,
    readonly code: string,
    readonly field: string,
    readonly value: string,
  ) {
    super(title);
  }
}

let antiforgery = '';

export function rememberAntiforgery(token: string) {
  antiforgery = token;
}

export const antiforgeryToken = () => antiforgery;

let numberFormat = 'point';

/** The decimal mark that the server writes in sentences. */
export function rememberNumberFormat(format: string) {
  numberFormat = format;
}

const waits = [300, 1_500];

/** An edit is sent again when its answer is lost or the server is busy: under the same id it is done once. */
async function persistently(request: Request): Promise<Response> {
  const isEdit = request.headers.has(editId);
  for (const wait of waits) {
    try {
      const response = await fetch(isEdit ? request.clone() : request);
      if (!isEdit || response.status !== 503) return response;
    } catch (lost) {
      if (!isEdit || !navigator.onLine) throw lost;
    }
    await new Promise((resolve) => setTimeout(resolve, wait));
  }
  return fetch(request);
}

const editId = 'X-Edit-Id';

/** An edit that has its id already, because it may have been sent before. */
export const withId = (id: string) => ({ headers: { [editId]: id } });

export const api = createClient<paths>({ baseUrl: globalThis.location?.origin ?? 'http://localhost', fetch: persistently });

api.use({
  onRequest({ request }) {
    request.headers.set('X-Number-Format', numberFormat);
    if (request.method !== 'GET') {
      request.headers.set('X-Antiforgery', antiforgery);
      if (!request.headers.has(editId)) request.headers.set(editId, crypto.randomUUID());
    }
    return request;
  },
});

type Answer<T> = { data?: T; error?: unknown; response: Response };

/** An edit's answer, and the sequence that takes it back; null when nothing differed. */
export type Kept<T> = { data: T; sequence: number | null };

const ownEdits = new Set<number>();

/** Whether an edit came from this page, so that what it changed is drawn already. */
export const isOwnEdit = (sequence: number) => ownEdits.has(sequence);

/** An edit's answer, or its problem thrown. */
export async function kept<T>(answer: Promise<Answer<T>>): Promise<Kept<T>> {
  let sequence: number | null = null;
  const data = await take(
    answer.then((given) => {
      const said = given.response.headers.get('X-Edit-Sequence');
      if (said) {
        sequence = Number(said);
        ownEdits.add(sequence);
      }
      return given;
    }),
  );
  return { data, sequence };
}

/** The data of an answer, or its problem thrown. */
export async function take<T>(answer: Promise<Answer<T>>): Promise<T> {
  const { data, error, response } = await answer.catch(() => {
    throw new Problem(
      0,
      'The kitchen’s server cannot be reached.',
      'Check the connection; what you typed is still here.',
      'offline',
      '',
      '',
    );
  });
  if (response.ok) return data as T;
  throw problemOf(response, error);
}

/** The problem details of an answer that is none. */
export function problemOf(response: Response, error: unknown): Problem {
  const problem = (typeof error === 'object' && error !== null ? error : {}) as Record<string, unknown>;
  const text = (key: string, otherwise = '') => (typeof problem[key] === 'string' ? (problem[key] as string) : otherwise);
  return new Problem(
    response.status,
    text('title', response.status === 404 ? 'It is not there any more.' : 'The server refused it.'),
    text('detail', 'Load the page again.'),
    text('code'),
    text('field'),
    text('value'),
  );
}
