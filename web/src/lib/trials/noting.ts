import { api, ask, type Schemas } from '../api/client';

/** Notes a reading under an id of its own. */
export async function noteReading(trial_id: number, body: Schemas['ReadingIn']): Promise<void> {
  const params = { path: { trial_id, reading_id: crypto.randomUUID() } };
  await ask(api.PUT('/api/v1/trials/{trial_id}/readings/{reading_id}', { params, body }));
}

/** Returns the numbers that a text holds, with a point or a comma for decimals; null where it holds anything else. */
export function numbersIn(text: string): number[] | null {
  const parts = text
    .trim()
    .split(/[\s;]+|,\s+/)
    .filter(Boolean);
  const found = parts.map((p) => Number(p.replace(',', '.')));
  return found.every((n) => Number.isFinite(n) && n >= 0) ? found : null;
}
