import { KITCHEN } from '../begin/look';
import { asProblem, ProblemError } from './client';

/** Sends a file as it is, as `type`; returns what the server answers. Throws a ProblemError. */
export async function sendFile<Answer>(path: string, type: string, file: File): Promise<Answer> {
  let response: Response;
  try {
    response = await fetch(`/api/v1/${path}`, {
      method: 'POST',
      headers: { 'content-type': type, 'X-Kitchen': KITCHEN },
      body: file
    });
  } catch {
    throw new ProblemError(0, 'The kitchen does not answer. Is the application still running?');
  }
  const body: unknown = await response.json().catch(() => null);
  if (!response.ok) throw asProblem(body, response.status);
  return body as Answer;
}
