import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { takeReading } from '../../outbox/coolOut';
import type { KeptCoolOut } from '../../outbox/db';
import { useQueue } from '../../outbox/queue';
import { fahrenheitOf, temperatureUnit } from '../../base/words/units';
import { TapRate } from './TapRate';

interface Props {
  sheet: KeptCoolOut;
  /** Whole minutes since the work was over. */
  minute: number;
  /** The minute it is to be taken at. */
  next: number | null;
}

/** Within so many minutes of its time a reading counts as taken then. */
const nearMin = 3;

/** Pulse, breathing, temperature: counted by taps or typed. */
export function TakeReading({ sheet, minute, next }: Props) {
  const { db, kick } = useQueue();
  const [pulse, setPulse] = useState('');
  const [breaths, setBreaths] = useState('');
  const [temperature, setTemperature] = useState('');
  const [wrong, setWrong] = useState<string>();
  const at = next !== null && Math.abs(next - minute) <= nearMin ? next : minute;
  const taken = sheet.readings.some((one) => one.minute === at);
  const take = async () => {
    const figure = (text: string, least: number, most: number, what: string) => {
      const value = Number(text);
      if (text.trim() !== '' && value >= least && value <= most) return value;
      throw new Error(`${what} must be ${least} to ${most}.`);
    };
    try {
      const reading = {
        minute: Math.min(240, at),
        pulse: Math.round(figure(pulse, 20, 260, 'The pulse')),
        breaths: Math.round(figure(breaths, 4, 200, 'The breathing')),
        temperature_f: temperature
          ? figure(String(fahrenheitOf(Number(temperature))), 90, 112, 'The temperature')
          : null,
      };
      await takeReading(db, sheet.coolOutId, reading);
      kick();
    } catch (error) {
      setWrong(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <Box
      component="form"
      noValidate
      aria-label="Take it"
      onSubmit={(event) => {
        event.preventDefault();
        void take();
      }}
      sx={{ display: 'grid', gap: 2, maxWidth: 640, mt: 2 }}
    >
      <Taken label="Pulse" one="heartbeat" value={pulse} onValue={setPulse} />
      <Taken label="Breathing" one="breath" value={breaths} onValue={setBreaths} />
      <TextField
        label={`Temperature, ${temperatureUnit()} (if you take it)`}
        value={temperature}
        onChange={({ target }) => setTemperature(target.value)}
        slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        sx={{ maxWidth: 320 }}
      />
      {wrong && (
        <Typography role="alert" sx={{ color: 'error.main' }}>
          {wrong}
        </Typography>
      )}
      <Button type="submit" variant="contained" sx={{ minHeight: 64, justifySelf: 'start', px: 4 }}>
        {taken ? 'Correct it at' : 'Keep at'} {at} minutes
      </Button>
    </Box>
  );
}

interface TakenProps {
  label: string;
  /** What is counted. */
  one: string;
  value: string;
  onValue: (value: string) => void;
}

function Taken({ label, one, value, onValue }: TakenProps) {
  return (
    <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'stretch' }}>
      <TextField
        label={`${label}, a minute`}
        value={value}
        onChange={({ target }) => onValue(target.value)}
        slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        sx={{ width: 190 }}
      />
      <TapRate one={one} onRate={(rate) => onValue(String(rate))} />
    </Box>
  );
}
