import type { Schemas } from '../base/api/client';
import { inchesOf, inchesTyped } from '../base/words/inches';

/** A piece as it is typed: lengths are texts until they are saved. */

type Sheet = Schemas['GearSheet'];
type Measures = Schemas['GearMeasures'];

/** Lengths of a piece, each with its words and the kinds that have it. */
export const lengths = [
  ['mouth_in', 'Mouthpiece, from cheek to cheek', 'bit'],
  ['bar_in', 'Bar, measured 1 in from the cheek', 'bit'],
  ['port_in', 'Height of the port', 'port'],
  ['ring_in', 'Rings across', 'ring'],
  ['purchase_in', 'Purchase: mouthpiece to curb ring', 'shank'],
  ['shank_in', 'Shank: mouthpiece to rein ring', 'shank'],
  ['overall_in', 'Cheek from end to end', 'shank'],
  ['curb_width_in', 'Width of strap or chain', 'shank'],
  ['bosal_in', 'Thickness at the cheek', 'bosal'],
] as const;

export type LengthField = (typeof lengths)[number][0];

export interface GearDraft {
  name: string;
  kind: Schemas['GearKind'];
  note: string;
  mouthpiece: Schemas['Mouthpiece'] | '';
  cheek: Schemas['Cheek'] | '';
  curb: Schemas['CurbPiece'] | '';
  curbFlat: 'yes' | 'no' | '';
  reins: Schemas['Reins'] | '';
  weight: string;
  typed: Partial<Record<LengthField, string>>;
  quietHands: boolean;
  mostHand: Schemas['HandWeight'] | '';
}

export function draftOf(sheet?: Sheet): GearDraft {
  const measures = sheet?.measures ?? {};
  const typed: GearDraft['typed'] = {};
  for (const [field] of lengths) {
    const value = measures[field];
    if (value != null) typed[field] = inchesTyped(value);
  }
  return {
    name: sheet?.name ?? '',
    kind: sheet?.kind ?? 'snaffle',
    note: sheet?.note ?? '',
    mouthpiece: measures.mouthpiece ?? '',
    cheek: measures.cheek ?? '',
    curb: measures.curb ?? '',
    curbFlat: measures.curb_flat == null ? '' : measures.curb_flat ? 'yes' : 'no',
    reins: measures.reins ?? '',
    weight: measures.weight_oz == null ? '' : String(measures.weight_oz),
    typed,
    quietHands: sheet?.quiet_hands ?? false,
    mostHand: sheet?.most_hand ?? '',
  };
}

/** What of a piece is measured, by its kind. */
export function partsOf({ kind, mouthpiece, cheek }: GearDraft): Set<string> {
  const bit = kind === 'snaffle' || kind === 'shank' || kind === 'two_rein';
  const parts = new Set<string>();
  if (bit) parts.add('bit');
  if (bit && mouthpiece === 'ported') parts.add('port');
  if (kind === 'snaffle' && cheek !== 'fixed_shank' && cheek !== 'loose_shank') parts.add('ring');
  if (kind === 'shank' || (bit && (cheek === 'fixed_shank' || cheek === 'loose_shank')))
    parts.add('shank');
  if (kind === 'bosal' || kind === 'two_rein') parts.add('bosal');
  return parts;
}

export interface ReadDraft {
  sheet: Sheet;
  /** What could not be read, by field. */
  wrong: Partial<Record<LengthField | 'weight_oz', string>>;
}

/** The sheet of what was typed; only what its kind has. */
export function readDraft(draft: GearDraft): ReadDraft {
  const parts = partsOf(draft);
  const wrong: ReadDraft['wrong'] = {};
  const measures: Measures = {};
  for (const [field, , part] of lengths) {
    const text = draft.typed[field]?.trim();
    if (!text || !parts.has(part)) continue;
    const value = inchesOf(text);
    if (value === null) wrong[field] = 'Type a length, such as 4 1/2 or 4.5';
    else measures[field] = value;
  }
  if (parts.has('bit') && draft.mouthpiece) measures.mouthpiece = draft.mouthpiece;
  if (parts.has('bit') && draft.cheek) measures.cheek = draft.cheek;
  if (parts.has('shank') && draft.curb) measures.curb = draft.curb;
  if (parts.has('shank') && draft.curbFlat) measures.curb_flat = draft.curbFlat === 'yes';
  if (draft.reins) measures.reins = draft.reins;
  const weight = draft.weight.trim();
  if (weight) {
    if (/^\d+(\.\d+)?$/.test(weight)) measures.weight_oz = Number(weight);
    else wrong.weight_oz = 'Type a number of ounces';
  }
  const sheet: Sheet = {
    name: draft.name,
    kind: draft.kind,
    note: draft.note,
    measures,
    quiet_hands: draft.quietHands,
    most_hand: draft.mostHand || null,
  };
  return { sheet, wrong };
}
