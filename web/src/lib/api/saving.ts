import { asProblem } from './client';

/** Gives something to the browser as a file to keep. */
export function keep(name: string, what: Blob): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(what);
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

/** Fetches a file and gives it to the browser under the name it came with; an error is thrown as the API says it. */
export async function keepAnswer(url: string, otherwise: string, init?: RequestInit): Promise<void> {
  const answer = await fetch(url, init);
  if (!answer.ok) throw asProblem(await answer.json().catch(() => null), answer.status);
  const named = /filename="([^"]+)"/.exec(answer.headers.get('content-disposition') ?? '')?.[1];
  keep(named ?? otherwise, await answer.blob());
}
