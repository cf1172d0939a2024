import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { QueryState } from '../../shell/QueryState';
import { PageFrame } from '../../shell/PageFrame';
import { Section } from '../../shell/Section';
import { useWho } from '../../data/who';
import { dayAndClockIn } from '../../base/words/days';
import { capital } from '../../base/words/plain';
import { GaugeDevice } from './GaugeDevice';
import { devicesQuery, usePlug, type Device } from '../../data/devices';

/** What measures and moves: paired, watched and unplugged. */
export function DevicesPage() {
  const devices = useQuery(devicesQuery);
  return (
    <PageFrame title="Devices">
      <Typography variant="h1">Devices</Typography>
      <Typography sx={{ maxWidth: 680, mt: 0.5 }}>
        What measures or moves in the arena. Nothing here is needed: without a device your thumb
        says it.
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: '1fr', lg: 'minmax(0, 3fr) minmax(0, 2fr)' },
          columnGap: 8,
        }}
      >
        <GaugeDevice />
        <Box>
          <QueryState query={devices}>
            {(all) => all.map((one) => <OneDevice key={one.device} one={one} />)}
          </QueryState>
        </Box>
      </Box>
    </PageFrame>
  );
}

interface Words {
  name: string;
  intro: string;
  /** The program that carries for it. */
  start: string;
  to?: string;
  toWords?: string;
}

const words: Record<Device, Words> = {
  eyes: {
    name: 'Timing eyes',
    intro: 'Two beams at the line. A run that they timed is offered on the run you record.',
    start: 'cavesson timer',
  },
  flag: {
    name: 'Flag',
    intro: 'A motor with a flag on a line, driven from here or from the turn.',
    start: 'cavesson flag',
    to: '/flag',
    toWords: 'Drive it',
  },
  weather: {
    name: 'Weather',
    intro: 'Heat by the hour, for cautions on Today and in the week.',
    start: 'cavesson serve --weather',
  },
};

function OneDevice({ one }: { one: Schemas['DeviceShown'] }) {
  const { name, intro, start, to, toWords } = words[one.device];
  const plug = usePlug(one.device);
  const plugged = !one.unplugged_at;
  return (
    <Section title={name} intro={intro}>
      <Typography role="status">
        <Heard one={one} />
      </Typography>
      {plugged && !one.heard_at && (
        <Typography variant="body2" sx={{ color: 'text.secondary', mt: 0.5 }}>
          Started on the machine beside it with <code>{start}</code>.
        </Typography>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mt: 1.5 }}>
        <Button
          disabled={plug.isPending}
          aria-label={`${plugged ? 'Unplug' : 'Plug in'}: ${name}`}
          onClick={() => plug.mutate(!plugged)}
        >
          {plugged ? 'Unplug' : 'Plug in'}
        </Button>
        {to && (
          <Button component={Link} to={to}>
            {toWords}
          </Button>
        )}
      </Box>
      {plug.isError && (
        <Typography role="alert" sx={{ mt: 1, color: 'error.main' }}>
          {capital(plug.error.message)}
        </Typography>
      )}
    </Section>
  );
}

function Heard({ one }: { one: Schemas['DeviceShown'] }) {
  const { time_zone } = useWho();
  if (one.unplugged_at)
    return (
      <>Unplugged since {dayAndClockIn(time_zone, one.unplugged_at)}. Nothing of it is taken.</>
    );
  if (!one.heard_at) return <>Plugged in, not heard yet.</>;
  const at = dayAndClockIn(time_zone, one.heard_at);
  if (one.device === 'flag') return <>{one.name}, on the line now.</>;
  if (one.device === 'weather') return <>Known until {at}.</>;
  return (
    <>
      {one.name}, last run {at}.
    </>
  );
}
