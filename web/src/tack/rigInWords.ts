import type { Schemas } from '../base/api/client';
import { rigWords } from '../base/words/states';

type RigNamed = Pick<Schemas['RigWorn'], 'kind' | 'name'>;

/** A rig by its name, else by its kind. */
export const rigInWords = ({ kind, name }: RigNamed) =>
  name ? `${name} (${rigWords[kind].toLowerCase()})` : rigWords[kind];
