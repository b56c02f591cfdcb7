const KEY = 'fallow-sieve.appearance';

function preferred(): boolean {
  const kept = localStorage.getItem(KEY);
  return kept ? kept === 'dark' : matchMedia('(prefers-color-scheme: dark)').matches;
}

/** Light or dark: as the system has it until the user chooses. */
class Appearance {
  dark = $state(preferred());

  apply(): void {
    document.documentElement.dataset.mode = this.dark ? 'dark' : 'light';
  }

  toggle(): void {
    this.dark = !this.dark;
    localStorage.setItem(KEY, this.dark ? 'dark' : 'light');
    this.apply();
  }
}

export const appearance = new Appearance();
