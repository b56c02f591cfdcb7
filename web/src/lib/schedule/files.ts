import { asProblem } from '../api/client';
import type { ScheduleBench } from './schedule.svelte';

/** Fetches a plan as a file and gives it to the browser to keep: calendar (iCalendar), csv, or file (JSON). */
export async function download(bench: ScheduleBench, what: 'calendar' | 'csv' | 'file'): Promise<void> {
  const body = {
    content: bench.content,
    name: bench.head.name,
    schedule_id: bench.head.id,
    sequence: bench.save.version
  };
  const answer = await fetch(`/api/v1/plans/${what}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body)
  });
  if (!answer.ok) throw asProblem(await answer.json().catch(() => null), answer.status);
  const named = /filename="([^"]+)"/.exec(answer.headers.get('content-disposition') ?? '')?.[1];
  const link = document.createElement('a');
  link.href = URL.createObjectURL(await answer.blob());
  link.download = named ?? 'schedule';
  link.click();
  URL.revokeObjectURL(link.href);
}
