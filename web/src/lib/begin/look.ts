/** Whether this page looks into the demo kitchen. It is so from its loading to its end: what it shows is of one kitchen. */
const LOOKING = typeof document !== 'undefined' && /(?:^|;\s*)fallow-sieve-look=demo/.test(document.cookie);

/** Where this page belongs; the server refuses what a page of the other kitchen sends. */
export const KITCHEN = LOOKING ? 'demo' : 'own';

export const isLooking = (): boolean => LOOKING;

/** The key of what this browser keeps: of the demo kitchen apart from one's own. */
export const ownKey = (key: string): string => (LOOKING ? `demo:${key}` : key);

/** Goes to look into the demo kitchen, or comes back. */
export async function look(demo: boolean): Promise<void> {
  const answer = await fetch('/api/v1/look', {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ demo })
  });
  if (!answer.ok) return;
  location.hash = '#/';
  location.reload();
}
