export interface Notice {
  id: number;
  say: string;
  wrong: boolean;
}

const SHOWN_MS = 6000;
let next = 1;

/** Short messages that come and go; those about something wrong stay until they are put away. */
class Notices {
  all = $state<Notice[]>([]);

  say(say: string, wrong = false): void {
    const notice = { id: next++, say, wrong };
    this.all = [...this.all.filter((n) => n.say !== say), notice].slice(-3);
    if (!wrong) setTimeout(() => this.drop(notice.id), SHOWN_MS);
  }

  drop(id: number): void {
    this.all = this.all.filter((n) => n.id !== id);
  }
}

export const notices = new Notices();
