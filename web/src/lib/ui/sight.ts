/** Brings the section or line that was opened by hand into sight once all of it is `there`: an attachment. */
export const inSight =
  (there: boolean) =>
  (at: HTMLElement): void => {
    if (there) (at.closest('section, li') ?? at).scrollIntoView({ block: 'nearest' });
  };
