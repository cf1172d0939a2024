import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { ladderQuery } from '../../data/ladder';
import { FaceView } from '../recorder/FaceView';
import { FaceClockContext } from '../../shell/faceClock';
import { LevelPicker } from '../../ladder/LevelPicker';
import { SettingBar } from '../recorder/SettingBar';
import type { KeptRep } from '../../outbox/db';
import type { TapedRide } from '../../outbox/fromTape';
import { sideWords } from '../../base/words/answers';
import { measureInWords } from '../../base/words/measures';
import { filmClock } from './film';
import type { FilmTime } from './FilmTime';
import { useTapeRecorder } from './useTapeRecorder';

interface Props {
  ride: TapedRide;
  time: FilmTime;
  onShow: (seconds: number) => void;
}

/** The recorder's faces beside the film: a hold lasts as long as the film says, at any speed. */
export function LogPanel({ ride, time, onShow }: Props) {
  const [level, setLevel] = useState<{ skill: string; rung: string } | null>(null);
  const [picking, setPicking] = useState(false);
  return (
    <Box role="group" aria-label="Asks from the film">
      <Button onClick={() => setPicking(true)} sx={{ minHeight: 56, mb: 1 }} fullWidth>
        {level ? <LevelName level={level} /> : 'Pick what is asked'}
      </Button>
      {picking && (
        <LevelPicker
          title="What is asked in the film?"
          onPick={({ skill, rung }) => {
            setLevel({ skill, rung });
            setPicking(false);
          }}
          onClose={() => setPicking(false)}
        />
      )}
      {level && (
        <Logging
          key={`${level.skill}/${level.rung}`}
          ride={ride}
          level={level}
          time={time}
          onShow={onShow}
        />
      )}
    </Box>
  );
}

function LevelName({ level: { skill, rung } }: { level: { skill: string; rung: string } }) {
  const { data } = useQuery(ladderQuery);
  const found = data?.levels.find(({ level }) => level.skill === skill && level.rung === rung);
  return <>{found?.level.name ?? skill}</>;
}

interface LoggingProps extends Props {
  level: { skill: string; rung: string };
}

function Logging({ ride, level, time, onShow }: LoggingProps) {
  const clock = useMemo(() => {
    const now = () => time.now() * 1000;
    const begins = Date.parse(ride.startedAt);
    return {
      at: (eventTime: number) => time.at(eventTime) * 1000,
      now,
      wall: () => begins + now(),
    };
  }, [time, ride.startedAt]);
  const { recorder, all, undo } = useTapeRecorder({
    ride,
    horseId: ride.horseId,
    level,
    filmMs: clock.now,
  });
  return (
    <FaceClockContext value={clock}>
      <Box sx={{ height: 380, display: 'flex', flexDirection: 'column' }}>
        <FaceView recorder={recorder} />
      </Box>
      {recorder.settings.map((setting, index) => (
        <SettingBar
          key={setting.id}
          setting={setting}
          value={recorder.set[setting.id] ?? setting.usual}
          onValue={(value) => recorder.put(setting, value)}
          keyed={index === 0}
        />
      ))}
      <Logged asks={all} rideId={ride.rideId} onShow={onShow} onUndo={(id) => void undo(id)} />
    </FaceClockContext>
  );
}

interface LoggedProps {
  asks: KeptRep[];
  rideId: string;
  onShow: (seconds: number) => void;
  onUndo: (repId: string) => void;
}

/** Every ask of the film; a touch shows where it begins. */
function Logged({ asks, rideId, onShow, onUndo }: LoggedProps) {
  if (asks.length === 0)
    return (
      <Typography variant="body2" sx={{ color: 'text.secondary', mt: 1 }}>
        Play the film as slowly as you like and hold as you would from the saddle. With the film
        standing you can hold a key and step frame by frame.
      </Typography>
    );
  return (
    <>
      <Box
        component="ol"
        aria-label="Asks so far"
        tabIndex={0}
        sx={{ listStyle: 'none', m: 0, mt: 1, p: 0, maxHeight: 260, overflowY: 'auto' }}
      >
        {asks.map((ask) => (
          <Box component="li" key={ask.repId} sx={{ display: 'flex', alignItems: 'center' }}>
            <Button
              variant="text"
              onClick={() => onShow(ask.askedAfterMs / 1000)}
              sx={{ flex: 1, justifyContent: 'flex-start', minHeight: 48, color: 'text.primary' }}
            >
              {filmClock(ask.askedAfterMs / 1000)}{' '}
              {ask.side === 'both' ? '' : `${sideWords[ask.side].toLowerCase()}, `}
              {measureInWords(ask.measure)}
              {ask.soft ? ', soft' : ''}
            </Button>
            <Button
              variant="text"
              aria-label={`Take back the ask at ${filmClock(ask.askedAfterMs / 1000)}`}
              onClick={() => onUndo(ask.repId)}
              sx={{ minWidth: 48, minHeight: 48 }}
            >
              ✕
            </Button>
          </Box>
        ))}
      </Box>
      <Button component={Link} to={`/rides/${rideId}`} sx={{ mt: 1, minHeight: 56 }}>
        See the ride
      </Button>
    </>
  );
}
