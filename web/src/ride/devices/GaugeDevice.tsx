import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type SyntheticEvent } from 'react';
import { plainTable } from '../../shell/plainTable';
import { Section } from '../../shell/Section';
import { Tip } from '../../help/Tip';
import { handWords, seconds, sideWords } from '../../base/words/answers';
import { count } from '../../base/words/plain';
import type { GaugeState } from './gaugeLink';
import { pairedGauge, pairGauge, usualAddress, wrongAddress } from './paired';
import { ReinsLive } from './ReinsLive';
import { useGauge } from './useGauge';

/** The rein gauge of this device: paired, watched, unplugged. */
export function GaugeDevice() {
  const [address, setAddress] = useState(pairedGauge);
  const pair = (next: string | null) => {
    pairGauge(next);
    setAddress(next);
  };
  return (
    <Section
      title="Rein gauge"
      intro="How hard each rein is pulled, fifty times a second. In a ride it fills in hand weight and time to give of what you hold."
    >
      {address === null ? (
        <Pairing onPair={pair} />
      ) : (
        <>
          <Watched address={address} />
          <Button onClick={() => pair(null)} sx={{ mt: 1.5 }} aria-label="Unplug: Rein gauge">
            Unplug
          </Button>
        </>
      )}
    </Section>
  );
}

function Pairing({ onPair }: { onPair: (address: string) => void }) {
  const [typed, setTyped] = useState(usualAddress);
  const [tried, setTried] = useState(false);
  const wrong = tried ? wrongAddress(typed.trim()) : undefined;
  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    setTried(true);
    if (wrongAddress(typed.trim()) === undefined) onPair(typed.trim());
  };
  return (
    <Box component="form" noValidate onSubmit={submit} sx={{ maxWidth: 480 }}>
      <TextField
        fullWidth
        label="Where it is heard on this device"
        value={typed}
        error={wrong !== undefined}
        helperText={wrong ?? 'The gauge, or what carries for it, beside this page.'}
        onChange={({ target }) => setTyped(target.value)}
      />
      <Button type="submit" variant="contained" sx={{ mt: 1.5, minHeight: 56 }}>
        Pair it
      </Button>
    </Box>
  );
}

function Watched({ address }: { address: string }) {
  const gauge = useGauge(address);
  return (
    <>
      <Typography role="status">{inWords(gauge, address)}</Typography>
      <Box sx={{ mt: 1, maxWidth: 760 }}>
        <ReinsLive readings={gauge.readings} asks={gauge.asks} />
        <Tip of="reins" />
      </Box>
      {gauge.how === 'heard' && (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {count(gauge.missing, 'reading')} never arrived, {count(gauge.broken, 'line')} came
          through broken.
        </Typography>
      )}
      <Box component="table" sx={{ ...plainTable, mt: 1, maxWidth: 560 }}>
        <caption style={{ textAlign: 'left', fontWeight: 700 }}>Last asks</caption>
        <tbody>
          {gauge.asks.length === 0 && (
            <tr>
              <td>None yet. Take a rein and let go.</td>
            </tr>
          )}
          {gauge.asks
            .slice(-5)
            .reverse()
            .map((ask) => (
              <tr key={`${ask.onset_s} ${ask.side}`}>
                <th scope="row">{ask.side === 'both' ? 'Both reins' : sideWords[ask.side]}</th>
                <td>{seconds(ask.time_to_give_s)}</td>
                <td>{handWords[ask.hand]}</td>
              </tr>
            ))}
        </tbody>
      </Box>
    </>
  );
}

function inWords({ how }: GaugeState, address: string): string {
  if (how === 'heard') return 'Paired and heard.';
  if (how === 'gone') return 'Gone. It is called again every second; in a ride your thumb goes on.';
  return `Looking for it at ${address}.`;
}
