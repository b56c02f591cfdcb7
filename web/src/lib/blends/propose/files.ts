import { api, ask } from '../../api/client';
import { keep } from '../../api/saving';
import type { BriefWishes, Proposal } from './lines';

/** Gives a text to the browser as a file to keep. */
export function download(name: string, text: string): void {
  keep(name, new Blob([text], { type: 'application/json' }));
}

/** Returns a proposal as a blend file. */
export function blendFile(name: string, use: string | null, proposal: Proposal): string {
  const parts = proposal.parts.map(({ ingredient, mass_g }) => ({ ingredient, mass_g }));
  return `${JSON.stringify({ format: 'fallow-sieve/blend', version: 1, name, ...(use ? { use } : {}), parts }, null, 2)}\n`;
}

/** Returns wishes as a brief file, as the kitchen writes it. */
export async function briefFile(name: string, wishes: BriefWishes): Promise<string> {
  const body = { name, wishes };
  const { data } = await ask(api.POST('/api/v1/brief-files', { body, parseAs: 'text' }));
  return data as unknown as string;
}
