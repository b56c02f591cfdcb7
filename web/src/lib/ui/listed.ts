/** What a list needs to know of each of its items. */
export interface Listed {
  id: number;
  name: string;
}
