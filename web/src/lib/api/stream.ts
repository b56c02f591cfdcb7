import { asProblem } from './client';

/** Reads an answer that comes one JSON object a line, and gives each as it comes; throws what it says is wrong. */
export async function follow<T extends object>(answer: Response, take: (line: T) => void): Promise<void> {
  if (!answer.ok || !answer.body) throw asProblem(await answer.json().catch(() => null), answer.status);
  const reader = answer.body
    .pipeThrough(new TextDecoderStream() as never)
    .getReader() as ReadableStreamDefaultReader<string>;
  let rest = '';
  for (;;) {
    const { done, value } = await reader.read();
    const lines = (rest + (value ?? '')).split('\n');
    rest = done ? '' : (lines.pop() ?? '');
    for (const line of lines.filter(Boolean)) {
      const found = JSON.parse(line) as T & { problem?: unknown };
      if (found.problem) throw asProblem(found.problem, 422);
      take(found);
    }
    if (done) return;
  }
}
