import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams, useSearchParams } from 'react-router';
import { QueryState } from '../../shell/QueryState';
import { PageFrame } from '../../shell/PageFrame';
import { ownersPath } from '../../data/owner';
import { programsQuery } from '../../data/programs';
import { DatesAtRisk } from '../../plan/road/DatesAtRisk';
import { roadPath } from '../../data/road';
import { useWho } from '../../data/who';
import { runsPath } from '../../data/ground';
import { worksPath } from '../../data/cattle';
import { tapesPath } from '../../data/tapes';
import { horseTackPath } from '../../data/tack';
import { RigLine } from '../../tack/RigLine';
import { horseLine } from '../../base/words/horse';
import { dayIn, longDay } from '../../base/words/days';
import { count } from '../../base/words/plain';
import { cardPath } from '../../data/card';
import { coolOutPath } from '../../data/coolOuts';
import { CardAhead } from './CardAhead';
import { Care } from './Care';
import { Decisions } from './Decisions';
import { FirstAsks } from './FirstAsks';
import { Holes } from './Holes';
import { HorseLadder } from './HorseLadder';
import { HorseSoftMap } from './HorseSoftMap';
import { IntakeInShort } from './IntakeInShort';
import { LastRide } from './LastRide';
import { Load } from './Load';
import { NextThing } from './NextThing';
import { PageIndex, type Part } from './PageIndex';
import { horsePageQuery, horsePath, type HorsePage as Page } from '../../data/horse';
import { Riders } from './Riders';
import { Season } from './Season';
import { SidesApart } from './SidesApart';
import { Slips } from './Slips';
import { Traits } from './Traits';
import { TripsLine } from './TripsLine';
import { VerdictBoard } from './VerdictBoard';

/** One horse as a whole: the one thing to do next, and all it rests on. */
export function HorsePage() {
  const { horseId = '' } = useParams();
  const [search] = useSearchParams();
  const on = search.get('on') ?? undefined;
  const page = useQuery(horsePageQuery(horseId, on));
  return (
    <PageFrame title="Horse">
      <QueryState query={page}>{(data) => <Whole page={data} />}</QueryState>
    </PageFrame>
  );
}

/** What of the horse could not be judged as it should be, and why. */
function NotJudged({ page: { program_unfit, unreadable } }: { page: Page }) {
  const notes = [
    program_unfit,
    unreadable > 0 &&
      `${count(unreadable, 'entry', 'entries')} from another version of Cavesson can't be read here: kept, but not counted.`,
  ].filter(Boolean);
  return notes.map((note) => (
    <Typography key={String(note)} role="note" sx={{ mb: 1.5, borderLeft: '6px solid', pl: 1.5 }}>
      {note}
    </Typography>
  ));
}

function Whole({ page }: { page: Page }) {
  const { time_zone } = useWho();
  const today = page.on === dayIn(time_zone);
  const two = {
    display: 'grid',
    gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'repeat(2, minmax(0, 1fr))' },
    columnGap: 6,
  };
  return (
    <>
      <Head page={page} today={today} />
      <PageIndex parts={partsOf(page, today)} />
      <NotJudged page={page} />
      <NextThing page={page} today={today} />
      {today && <DatesAtRisk horseId={page.horse.horse_id} />}
      <IntakeInShort page={page} today={today} />
      <LastRide page={page} />
      {today && <CardAhead page={page} />}
      <VerdictBoard page={page} />
      <Box sx={two}>
        <Box sx={{ minWidth: 0 }}>
          <HorseSoftMap page={page} />
          <SidesApart page={page} />
        </Box>
        <Box sx={{ minWidth: 0 }}>
          <Holes page={page} today={today} />
          <Slips page={page} />
          {page.season && <Season season={page.season} />}
          <Care page={page} today={today} />
          {today && <Load horseId={page.horse.horse_id} />}
          {today && <TripsLine horseId={page.horse.horse_id} />}
          {today && <RigLine horseId={page.horse.horse_id} />}
          {today && <Traits horse={page.horse} />}
          <Riders page={page} />
        </Box>
      </Box>
      <FirstAsks page={page} />
      <HorseLadder page={page} />
      <Decisions page={page} />
    </>
  );
}

function partsOf(page: Page, today: boolean): Part[] {
  const all: [string, string, boolean][] = [
    ['intake', 'Intake', page.intake != null || page.last_ride == null],
    ['last-ride', 'Last ride', page.last_ride != null],
    ['stands', 'Where things stand', true],
    ['soft-map', 'Soft map', true],
    ['faults', 'Faults', true],
    ['sides', 'Left and right', true],
    ['slipping', 'Slipping', true],
    ['season', 'In season', page.season != null],
    ['care', 'Care', true],
    ['load', 'Load', today],
    ['tack', 'Tack', today],
    ['traits', 'Traits', true],
    ['riders', 'Riders', page.riders.length > 1],
    ['first-asks', 'First asks', true],
    ['ladder', 'Ladder', true],
    ['overrides', 'Overrides', true],
  ];
  return all.filter(([, , there]) => there).map(([id, name]) => ({ id, name }));
}

function Head({ page, today }: { page: Page; today: boolean }) {
  const { horse, on } = page;
  const { decides } = useWho();
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'flex-start', mb: 2 }}>
      <Box sx={{ flex: '1 1 260px' }}>
        <Typography variant="h1">{horse.name}</Typography>
        <Typography sx={{ color: 'text.secondary' }}>
          {horseLine(horse)}. <ProgramOf page={page} />
          {!today && ` As of ${longDay(on)}.`}
        </Typography>
      </Box>
      {!today && (
        <Button component={Link} to={horsePath(horse.horse_id)}>
          {horse.name} today
        </Button>
      )}
      {today && (
        <Button component={Link} to={cardPath(horse.horse_id)} variant="contained">
          Today&apos;s card
        </Button>
      )}
      {today && (
        <Button component={Link} to={coolOutPath(horse.horse_id)}>
          Cool out
        </Button>
      )}
      {today && (
        <Button component={Link} to={roadPath(horse.horse_id)}>
          Road
        </Button>
      )}
      {today && (
        <Button component={Link} to={horseTackPath(horse.horse_id)}>
          Tack
        </Button>
      )}
      {today && (
        <Button component={Link} to={worksPath(horse.horse_id)}>
          On cattle
        </Button>
      )}
      {today && (
        <Button component={Link} to={runsPath(horse.horse_id)}>
          Runs
        </Button>
      )}
      {today && (
        <Button component={Link} to={tapesPath(horse.horse_id)}>
          Tape room
        </Button>
      )}
      {today && (
        <Button component={Link} to={ownersPath(horse.horse_id)}>
          For the owner
        </Button>
      )}
      <Button component={Link} to={`/compare?horse=${horse.horse_id}`}>
        Compare
      </Button>
      {decides && today && (
        <Button component={Link} to={`/horses/${horse.horse_id}/sheet`}>
          Sheet and goals
        </Button>
      )}
    </Box>
  );
}

function ProgramOf({ page }: { page: Page }) {
  const programs = useQuery(programsQuery);
  if (!page.program_id) return 'On the standard ladder.';
  const program = programs.data?.find(({ program_id }) => program_id === page.program_id);
  return (
    <>
      On the program{' '}
      <Box component={Link} to={`/programs/${page.program_id}`} sx={{ color: 'text.primary' }}>
        {program?.name ?? 'of its own'}
      </Box>
      .
    </>
  );
}
