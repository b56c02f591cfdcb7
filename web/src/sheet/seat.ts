/** With a script each mark is saved as it is made; without one, when one goes on. */
const form = document.querySelector<HTMLFormElement>('form[data-seat]');
if (form) begin(form);

function begin(form: HTMLFormElement): void {
  const status = form.querySelector<HTMLElement>('[data-status]');
  let wanted = 0;

  async function save(): Promise<void> {
    const mine = ++wanted;
    const body = new URLSearchParams();
    for (const [name, value] of new FormData(form)) if (typeof value === 'string') body.append(name, value);
    body.set('go', 'stay');
    try {
      const answer = await fetch(location.pathname, { method: 'POST', body });
      if (mine === wanted)
        say(answer.ok ? 'Saved. You can change it until you hand in.' : 'Not saved yet: go on to try again.');
    } catch {
      if (mine === wanted) say('Out of reach: it is saved when you go on.');
    }
  }

  function say(text: string): void {
    if (status) status.textContent = text;
  }

  // What somebody must not eat is told once and whole, when they go on.
  if (form.querySelector('[name="avoid"]')) return;
  form.addEventListener('change', () => void save());
}
