import { keepAnswer } from '../api/saving';
import type { ScheduleBench } from './schedule.svelte';

/** Fetches a plan as a file and gives it to the browser to keep: calendar (iCalendar), csv, or file (JSON). */
export async function download(bench: ScheduleBench, what: 'calendar' | 'csv' | 'file'): Promise<void> {
  const body = {
    content: bench.content,
    name: bench.head.name,
    schedule_id: bench.head.id,
    sequence: bench.save.version
  };
  await keepAnswer(`/api/v1/plans/${what}`, 'schedule', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body)
  });
}
