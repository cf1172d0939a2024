import type { Schemas } from '../api/client';

export const mouthpieceWords: Record<Schemas['Mouthpiece'], string> = {
  plain: 'Plain bar',
  twisted: 'Twisted',
  jointed: 'Jointed',
  ported: 'Ported',
};

export const cheekWords: Record<Schemas['Cheek'], string> = {
  ring: 'Rings',
  fixed_shank: 'Fixed shanks',
  loose_shank: 'Loose shanks',
};

export const curbWords: Record<Schemas['CurbPiece'], string> = {
  strap: 'Leather strap',
  chain: 'Chain',
};

export const reinWords: Record<Schemas['Reins'], string> = {
  split: 'Split reins',
  romal: 'Romal reins',
  loop: 'One closed rein',
  mecate: 'Mecate',
};

export const handWords: Record<Schemas['HandWeight'], string> = {
  feather: 'a feather',
  fingertip: 'a fingertip',
  two_fingers: 'two fingers',
  closed_hand: 'a closed hand',
  forearm: 'a forearm',
  pull: 'a pull',
};

export const stepAnswerWords: Record<Schemas['StepAnswer'], string> = {
  ok: 'Fine',
  bothered: 'Bothered',
  stop: 'Stop here',
  adjusted: 'Adjusted',
};

export const legalWords: Record<'yes' | 'no' | 'cannot_tell', string> = {
  yes: 'Yes',
  no: 'No',
  cannot_tell: "Can't tell",
};
