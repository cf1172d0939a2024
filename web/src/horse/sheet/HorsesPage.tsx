import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { QueryState } from '../../shell/QueryState';
import { BarnLinks } from '../../shell/BarnLinks';
import { NoHorses } from '../../shell/NoHorses';
import { PageFrame } from '../../shell/PageFrame';
import { horsePath } from '../../data/horse';
import { useWho } from '../../data/who';
import { dayIn, saidDay } from '../../base/words/days';
import { horseLine } from '../../base/words/horse';
import { everyHorseQuery, useSendHome, type HorseOfBarn } from '../../data/horses';

/** Every horse of the barn, those that went home among them. */
export function HorsesPage() {
  const horses = useQuery(everyHorseQuery);
  const { decides } = useWho();
  return (
    <PageFrame title="Horses">
      <BarnLinks />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}>
        <Typography variant="h1" sx={{ flex: { xs: '1 1 100%', sm: 1 } }}>
          Horses
        </Typography>
        {decides && (
          <>
            <Button component={Link} to="/horses/several" sx={{ minHeight: 56 }}>
              Add several
            </Button>
            <Button component={Link} to="/horses/new" variant="contained" sx={{ minHeight: 56 }}>
              Add a horse
            </Button>
          </>
        )}
      </Box>
      <QueryState query={horses}>{(data) => <Horses horses={data} />}</QueryState>
    </PageFrame>
  );
}

function Horses({ horses }: { horses: HorseOfBarn[] }) {
  const here = horses.filter(({ sent_home_at }) => !sent_home_at);
  const gone = horses.filter(({ sent_home_at }) => sent_home_at);
  return (
    <>
      {here.length === 0 ? <NoHorses /> : <HorseList horses={here} label="Here" heading="h2" />}
      {gone.length > 0 && (
        <>
          <Typography variant="h2" sx={{ mt: 4 }}>
            Gone home
          </Typography>
          <HorseList horses={gone} label="Gone home" heading="h3" />
        </>
      )}
    </>
  );
}

interface ListProps {
  horses: HorseOfBarn[];
  label: string;
  /** The level of their names below the page's headings. */
  heading: 'h2' | 'h3';
}

function HorseList({ horses, label, heading }: ListProps) {
  return (
    <Box
      component="ul"
      aria-label={label}
      sx={{ listStyle: 'none', m: 0, mt: 1, p: 0, maxWidth: 820 }}
    >
      {horses.map((one) => (
        <HorseRow key={one.horse.horse_id} one={one} heading={heading} />
      ))}
    </Box>
  );
}

function HorseRow({ one, heading }: { one: HorseOfBarn; heading: ListProps['heading'] }) {
  const { decides, time_zone } = useWho();
  const { horse, owner, program, sent_home_at } = one;
  const sendHome = useSendHome(horse.horse_id);
  const gone = sent_home_at && dayIn(time_zone, new Date(sent_home_at));
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        columnGap: 3,
        rowGap: 0.5,
        py: 1.25,
        alignItems: 'center',
        borderTop: '1px solid',
        borderColor: 'divider',
      }}
    >
      <Box sx={{ flex: '1 1 240px' }}>
        <Typography variant="h3" component={heading}>
          <Box component={Link} to={horsePath(horse.horse_id)} sx={{ color: 'text.primary' }}>
            {horse.name}
          </Box>
        </Typography>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {horseLine(horse)}
        </Typography>
      </Box>
      <Box sx={{ flex: '1 1 200px' }}>
        <Typography variant="body2">{program ?? 'Standard ladder'}</Typography>
        {owner && <Typography variant="body2">{owner}&apos;s horse</Typography>}
        {gone && (
          <Typography variant="body2">Went home {saidDay(gone, dayIn(time_zone))}</Typography>
        )}
      </Box>
      {decides && (
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Button
            component={Link}
            to={`/horses/${horse.horse_id}/sheet`}
            aria-label={`Change ${horse.name}`}
          >
            Change
          </Button>
          {gone && (
            <Button
              disabled={sendHome.isPending}
              onClick={() => sendHome.mutate(false)}
              aria-label={`${horse.name} comes back`}
            >
              Comes back
            </Button>
          )}
        </Box>
      )}
    </Box>
  );
}
