import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams, useSearchParams } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { TurnFan } from '../../draw/TurnFan';
import { FormSelect } from '../../base/form/FormSelect';
import { QueryState } from '../../shell/QueryState';
import { PageFrame } from '../../shell/PageFrame';
import { Section } from '../../shell/Section';
import { useWho } from '../../data/who';
import { horseQuery } from '../../data/today';
import { dayIn, saidDay } from '../../base/words/days';
import { howWords, turnsInWords } from '../../base/words/herd';
import { count } from '../../base/words/plain';
import { cowPath, worksQuery } from '../../data/cattle';
import { Tag } from './Tag';
import { TurnsTable } from './TurnsTable';
import { Tip } from '../../help/Tip';

/** The works of a horse: where its turns come apart, ride by ride, cow by cow. */
export function WorksPage() {
  const { horseId = '' } = useParams();
  const horse = useQuery(horseQuery(horseId));
  const works = useQuery(worksQuery(horseId));
  const name = horse.data?.name ?? '';
  return (
    <PageFrame title={`${name} on cattle`}>
      <Typography variant="h1">
        <Link to={`/horses/${horseId}`}>{name}</Link> on cattle
      </Typography>
      <QueryState query={works}>
        {(found) =>
          found.rides.length === 0 ? (
            <Typography sx={{ mt: 2, maxWidth: 620 }}>
              No works yet. On a ride, pick the cow on the turn face; each turn is kept with it.
            </Typography>
          ) : (
            <Works works={found} />
          )
        }
      </QueryState>
    </PageFrame>
  );
}

function Works({ works }: { works: Schemas['WorksOfHorse'] }) {
  const { time_zone } = useWho();
  const [params, setParams] = useSearchParams();
  const today = dayIn(time_zone);
  const picked = works.rides.find(({ ride_id }) => ride_id === params.get('ride'));
  const summary = picked?.summary ?? works.summary;
  const named = ({ day, rider }: Schemas['WorksOfRide']) => `${saidDay(day, today)}, ${rider}`;
  return (
    <>
      <Box sx={{ maxWidth: 360, mt: 2 }}>
        <FormSelect
          label="Turns of"
          value={picked?.ride_id ?? ''}
          of={[
            ['', `the last ${Math.min(10, works.rides.length)} rides on cattle or the flag`],
            ...works.rides.map((ride) => [ride.ride_id, named(ride)] as const),
          ]}
          onPick={(ride) => setParams(ride ? { ride } : {}, { replace: true })}
        />
      </Box>
      <Typography sx={{ mt: 2, fontWeight: 700, fontSize: '1.2rem', maxWidth: 720 }}>
        {turnsInWords(summary)}
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: '7fr 5fr' },
          gap: 4,
          alignItems: 'end',
          mt: 1,
        }}
      >
        <TurnFan summary={summary} />
        <Tip of="turnFan" />
        <TurnsTable cells={summary.cells} />
      </Box>
      {(picked ? [picked] : works.rides).map((ride) => (
        <Section key={ride.ride_id} title={named(ride)}>
          <Box
            component="ul"
            aria-label={`Works ${named(ride)}`}
            sx={{ listStyle: 'none', p: 0, m: 0 }}
          >
            {ride.works.map((work) => (
              <Work key={work.work_id} work={work} />
            ))}
          </Box>
          <Button component={Link} to={`/rides/${ride.ride_id}`} sx={{ minHeight: 48 }}>
            The whole ride
          </Button>
        </Section>
      ))}
    </>
  );
}

function Work({ work }: { work: Schemas['WorkShown'] }) {
  const sides = (['left', 'right'] as const).map((side) => {
    const own = work.turns.filter((turn) => turn.side === side);
    return own.length > 0 ? `${count(own.length, 'turn')} ${side}` : '';
  });
  const turns = sides.filter(Boolean).join(', ') || 'no turns';
  return (
    <Box
      component="li"
      sx={{ display: 'flex', gap: 1.5, alignItems: 'center', py: 0.75, minHeight: 64 }}
    >
      {work.cow_id && work.tag ? (
        <Link to={cowPath(work.cow_id)} aria-label={`Cow ${work.tag}`}>
          <Tag tag={work.tag} size={34} />
        </Link>
      ) : (
        <Typography sx={{ fontWeight: 700, minWidth: 58 }}>Flag</Typography>
      )}
      <Typography>
        {turns}
        {work.minutes != null && `, ${work.minutes.toFixed(1)} min`}.{' '}
        {work.how ? `${howWords[work.how]}.` : ''}
      </Typography>
    </Box>
  );
}
