import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { OutcomeMark } from '../draw/OutcomeMark';
import { VerdictMark } from '../draw/VerdictMark';
import { QueryState } from '../shell/QueryState';
import { PageFrame } from '../shell/PageFrame';
import { Section } from '../shell/Section';
import { gateInWords } from '../ladder/gateInWords';
import { ladderQuery, type ShownLadder } from '../data/ladder';
import { useWho } from '../data/who';
import { verdictWords, type Verdict } from '../base/words/answers';
import { outcomeWords } from '../base/words/states';
import { ForOwners } from './ForOwners';

/** How it judges, for those who train; owners read their own page. */
export function HowItJudgesPage() {
  const { records } = useWho();
  return <PageFrame title="How it judges">{records ? <ForTrainers /> : <ForOwners />}</PageFrame>;
}

const verdicts: [Verdict, string][] = [
  [
    'check_first',
    'Something should be looked at before you work on this: pain or uneven steps on record, teeth or feet overdue, trouble two rides in a row, or one side that dropped all at once. Ask a vet, dentist, farrier or saddle fitter. Cavesson never says what it is.',
  ],
  [
    'ease_back',
    'It goes badly: under the share at which a level is moved back, or a fault that came too often. Go back to the highest level under it that is held.',
  ],
  ['advance', 'Every rail of the gate is filled. Move on.'],
  ['confirm', 'Good so far; only another day or a first ask is missing.'],
  ['refresh', 'Held, but not shown for a while. Two or three cold asks a side.'],
  ['stay', 'Same again. The rail that fills last is named, and what it would take.'],
];

function ForTrainers() {
  const ladder = useQuery(ladderQuery);
  return (
    <>
      <Typography variant="h1">How it judges</Typography>
      <Said>
        From asks and answers, and from nothing else. The release for the answer is what this trade
        measures: how long from ask to give, how much hand, and whether it was soft.
      </Said>
      <Section title="What counts as soft">
        <Said>
          An answer within the time the level allows, with no more hand than it allows, and without
          getting away up, down, out or behind. Where nothing is timed, the level says what soft is:
          a stop in so many strides, a circle without a nose-up, a lead taken clean. It is decided
          the same way on your phone and on the server.
        </Said>
      </Section>
      <Section title="What a gate asks for">
        <QueryState query={ladder}>{(data) => <StandardGate ladder={data} />}</QueryState>
        <Said>
          A level can have a gate of its own, and a program can change any of them; the ladder shows
          every one. The <strong>first ask</strong> of a day stands apart, because it is the one you
          did not warm up. A day counts as a whole: ten asks on one good day prove less than five
          over three days. <strong>Proven</strong> means: as sure as the gate asks for, with what is
          known of this horse&apos;s learning and of good and bad days, that it is above the line
          now.
        </Said>
      </Section>
      <Section title="What it says" intro="The first that fits.">
        {verdicts.map(([verdict, says]) => (
          <Box key={verdict} sx={{ display: 'flex', gap: 1.5, py: 0.75 }}>
            <VerdictMark verdict={verdict} size={34} />
            <Typography sx={{ maxWidth: 680 }}>
              <strong>{verdictWords[verdict]}.</strong> {says}
            </Typography>
          </Box>
        ))}
      </Section>
      <Section title="What it takes into account">
        <List>
          <li>
            Who rode, where two of you asked the same of the same horses and the difference is very
            likely real. The gate says so, and what it would be without.
          </li>
          <li>New tack: what is asked in it the first time doesn&apos;t move the gate.</li>
          <li>Rides you marked as unusual: the verdict without them is shown beside it.</li>
          <li>Levels built on a level keep it fresh.</li>
        </List>
      </Section>
      <Section title="Your word counts">
        <Said>
          Override any verdict, with your reason. It stands until you take it back, and{' '}
          <Box component={Link} to="/outcomes" sx={{ color: 'text.primary' }}>
            Looking back
          </Box>{' '}
          shows how yours and Cavesson&apos;s turned out:
        </Said>
        <Box sx={{ display: 'flex', gap: 3, mt: 1 }}>
          {(['held', 'went_back', 'too_early'] as const).map((outcome) => (
            <Box key={outcome} sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
              <OutcomeMark outcome={outcome} size={26} />
              <Typography>{outcomeWords[outcome]}</Typography>
            </Box>
          ))}
        </Box>
      </Section>
      <Section title="When will the horse be there?">
        <Said>
          Two answers that belong together: what it would take if every answer were soft, and one
          honest range of rides at this horse&apos;s pace. A road to a date draws thousands of
          futures from this barn&apos;s own pace; the range runs from one in ten to nine in ten.
          Where too little is known it says so.
        </Said>
      </Section>
      <Section title="What it can't know">
        <Said>
          What nobody recorded. How the footing felt, why the horse was short on the left, whether a
          soft answer was a tired one. It never diagnoses. Growth, pain and lameness are a
          vet&apos;s question, and rules of your association and local law come before anything said
          here.
        </Said>
      </Section>
    </>
  );
}

function StandardGate({ ladder }: { ladder: ShownLadder }) {
  const shown = ladder.levels.find(({ level }) => level.roles.includes('lightest_ask'));
  if (!shown) return null;
  return (
    <>
      <Said>The standard gate of &ldquo;{shown.level.name.toLowerCase()}&rdquo;:</Said>
      <List>
        {gateInWords(shown).map((line) => (
          <li key={line}>{line}</li>
        ))}
      </List>
    </>
  );
}

export const Said = ({ children }: { children: ReactNode }) => (
  <Typography sx={{ maxWidth: 720, mt: 0.5 }}>{children}</Typography>
);

export const List = ({ children }: { children: ReactNode }) => (
  <Box component="ul" sx={{ maxWidth: 720, my: 1, pl: 2.5, '& li': { py: 0.25 } }}>
    {children}
  </Box>
);
