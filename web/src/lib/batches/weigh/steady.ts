const AGREE = 4;

/** Whether a scale stands still: it says so, and its last four readings lie within one step. */
export class Steady {
  #last: number[] = [];

  /** Takes a reading, and returns how many of the last four agree with it. */
  see(mass_g: number, stable: boolean, step_g: number): number {
    if (!stable) this.#last = [];
    this.#last = [...this.#last.slice(1 - AGREE), mass_g];
    let agree = 0;
    for (const g of [...this.#last].reverse()) {
      if (Math.abs(g - mass_g) > step_g + 1e-9) break;
      agree += 1;
    }
    return stable ? agree : Math.min(agree, AGREE - 1);
  }
}

export const enough = (agree: number): boolean => agree >= AGREE;
