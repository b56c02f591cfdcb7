import { ownKey } from '../../begin/look';

/** Something small that this browser remembers; what cannot be read is as if it were not there. */
export function remembered<T extends object>(
  key: string,
  otherwise: T
): { read(): T; keep(value: T): void; isKept(): boolean } {
  return {
    read() {
      try {
        const found: unknown = JSON.parse(localStorage.getItem(ownKey(key)) ?? 'null');
        return found && typeof found === 'object' ? { ...otherwise, ...found } : otherwise;
      } catch {
        return otherwise;
      }
    },
    isKept() {
      try {
        return localStorage.getItem(ownKey(key)) !== null;
      } catch {
        return false;
      }
    },
    keep(value) {
      try {
        localStorage.setItem(ownKey(key), JSON.stringify(value));
      } catch {
        // A full or forbidden store only means that it is forgotten.
      }
    }
  };
}
