import type { Schemas } from '../api/client';

export type State = Schemas['State'];

export const stateWords: Record<State, string> = {
  closed: 'closed',
  open: 'open',
  working: 'being worked on',
  confirming: 'confirming',
  held: 'held',
  in_doubt: 'in doubt',
  lost: 'lost, working again',
  waiting: 'waiting for what it rests on',
  retest: 'back, test it cold',
  rusty: 'rusty',
  eased: 'moved back',
  overruled: "trainer's call",
  shown_at_intake: 'shown at intake',
  placed: 'placed by hand',
};

/** The state in words; a trainer's override says which way. */
export function saidState(state: State, held: boolean): string {
  if (state !== 'overruled') return stateWords[state];
  return held ? "held, trainer's call" : "kept back, trainer's call";
}

export const gaitWords: Record<Schemas['Gait'], string> = {
  stand: 'Standing',
  walk: 'Walk',
  jog: 'Jog',
  trot: 'Trot',
  lope: 'Lope',
  gallop: 'Gallop',
};

export const zoneWords: Record<Schemas['Zone'], string> = {
  poll: 'Poll and jaw',
  neck: 'Neck',
  shoulder: 'Shoulder',
  ribs: 'Ribs',
  hip: 'Hip',
};

export const markWords: Record<Schemas['RideMark'], string> = {
  bad_ground: 'Bad ground',
  wind: 'Wind',
  in_season: 'In season',
  new_place: 'New place',
  another_rider: 'Another rider',
  new_rig: 'New tack',
  trouble: 'Signs of trouble',
};

/** How a ride ended. */
export const endWords: Record<Schemas['RideEnd'], string> = {
  good_one: 'On a good one',
  easy: 'On something easy',
  tired: 'Tired',
  argument: 'In an argument',
  cut_short: 'Cut short',
};

export const moodWords: Record<Schemas['Mood'], string> = {
  willing: 'Willing',
  quiet: 'Quiet',
  fresh: 'Fresh',
  worried: 'Worried',
  dull: 'Dull',
  sour: 'Sour',
};

export const rigWords: Record<Schemas['RigKind'], string> = {
  halter: 'Halter',
  snaffle: 'Snaffle',
  bosal: 'Bosal',
  shank: 'Shank bit',
  two_rein: 'Two-rein',
};

export const careWords: Record<Schemas['CareKind'], string> = {
  pain: 'Pain',
  unlevel: 'Off or uneven',
  rig_misfit: "Tack doesn't fit",
  teeth: 'Teeth checked',
  bit_seat: 'Bit seat checked',
  feet: 'Feet done',
  vet: 'Vet was here',
  in_season: 'Seen in season',
};

/** The same while it is still to come. */
export const careDueWords: Record<Schemas['CareKind'], string> = {
  pain: 'Pain',
  unlevel: 'Off or uneven',
  rig_misfit: 'Tack',
  teeth: 'Teeth',
  bit_seat: 'Bit seat',
  feet: 'Feet',
  vet: 'Vet',
  in_season: 'In season',
};

/** What is cleared again; all else is done and comes again. */
export const isFlag = (kind: Schemas['CareKind']) =>
  kind === 'pain' || kind === 'unlevel' || kind === 'rig_misfit';

/** How hard a ride was on the horse. */
export const exertionWords: Record<Schemas['Exertion'], string> = {
  very_easy: 'Very easy',
  easy: 'Easy',
  moderate: 'Moderate',
  hard: 'Hard',
  very_hard: 'Very hard',
  all_it_had: 'Gave it all',
};

export const outcomeWords: Record<Schemas['Outcome'], string> = {
  held: 'It held',
  went_back: 'It went back',
  too_early: 'Too soon to tell',
};

/** The same of a decision that kept a level from counting. */
export const keptBackWords: Record<Schemas['Outcome'], string> = {
  held: 'It stayed soft anyway',
  went_back: 'It did go back',
  too_early: 'Too soon to tell',
};
