/** Whose lane it is. */
export interface LanePerson {
  id: string;
  name: string;
}
