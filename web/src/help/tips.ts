/** How each picture is read, in a few plain sentences. */
export const tips = {
  strip:
    'A ride hangs down like a rein: time runs downwards, left is left. The longer the horse took to give, the further out the mark. Filled is soft, open is not, a tick shows how it got away, a bar that it did not give. A soft horse hugs the line.',
  softMap:
    'The horse from above. The closer the hatching, the more often that part was soft in the last 14 days; the figure under it says whether that is more or less than in the 14 days before.',
  gate: 'Each rail is something to be shown, left and right from their own post. It fills as far as it was shown. With every rail filled the gate has swung open. Tap a rail for the asks behind it.',
  ladder:
    'Each upright pair is a track, each rung a level, from the ground up. Filled rungs are held. The arrow is what comes next. Tap a rung: ties show what it needs and what it opens.',
  road: 'A fence line that is time. Posts behind today are levels that came to be held. The top rail is what decides: the thicker, the more often. The hatched plank under a date runs from the day by which one future in ten is there to the day by which nine in ten are.',
  turnFan:
    'Turns on cattle by how fast they were and to which side. A filled mark is a good turn. Where the marks open up, it comes apart.',
  ribbon:
    'A ride in the two-rein from left to right. The higher the ribbon, the more the bridle asked; the lower, the more the bosal. Marks are asks.',
  card: 'The ride as a strip, its width the minutes. The one new thing is marked. Everything before it is to make it easy, everything after it to end well.',
  load: 'Work a day by minutes and pace. One line is what the last week adds up to, the other what the horse is used to. Far above what it is used to is a reason for an easier day.',
  found:
    'The ladder fills from both ends as answers come in: surely can below, surely cannot above, not known yet between them.',
  sides:
    'A beam like that of a scale: it sinks to the side that is less often soft. Level means no difference, or one that may be chance.',
  hands: 'How much was in the hand, week by week: the lighter the fill, the lighter the hand.',
  plan: 'The place to scale, the gate where it is. Hatched is where nobody rides fast. Lines are the way the horse goes, figures are feet for the tape.',
  quiet:
    'Minutes until the horse was quiet, ride by ride, today last. The lower, the sooner it settled.',
  year: 'A year of the two-rein: from nearly all bosal at the left to nearly all bridle at the right. The line is about where such a year stands; each mark is a ride by its own share.',
  curb: 'The bit to scale, from the side. The longer the arrow, the more there is: at the mouth, under the jaw, at the poll. Turn the shank or the rein and see what changes.',
  snaffle:
    'The bit from in front, the hands where they are. The narrower the joint closes, the more it squeezes; hands low and apart leave it open.',
  program:
    'Where the flag is as time goes by: up is to the right, down to the left. The steeper, the quicker; level is a wait.',
  headings:
    'Each mark is a time the cow was headed, first to last: a post where it stopped, a rail down where it ran through. What it did lately counts most.',
  ways: 'Minutes turning each way. Even sides lie level; a longer one is the hand that was ridden more.',
  reins:
    'The last ten seconds: the left rein upward, the right one downward, dashed. Shaded is an ask, from where it began to where it was let go.',
  held: 'A post filled from the ground to as many levels as are held; the hatched part went rusty. It leans while one of them is in doubt; what was lost lies at its foot.',
} as const;

export type Picture = keyof typeof tips;
