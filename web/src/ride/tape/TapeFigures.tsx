import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Output } from '../../base/core/core';
import { plainTable } from '../../shell/plainTable';
import { lengthsInWords } from '../../base/words/units';

export type Said = Output<'tape'>;

const parts = ['To barrel 1', 'To barrel 2', 'To barrel 3', 'Home'];

const seconds = (value: number | null | undefined) => (value == null ? '–' : value.toFixed(2));
const strides = (value: number | null | undefined) => (value == null ? '–' : value.toFixed(1));

/** What the marks come to. */
export function TapeFigures({ said, frameS }: { said: Said; frameS: number }) {
  const { times, strides: counted } = said;
  const run = times.time_s != null || times.barrels.some(({ spots_s }) => spots_s.some(Boolean));
  return (
    <Box component="section" aria-label="What the marks say">
      {run && <Run said={said} />}
      {times.turns.length > 0 && <Turns turns={times.turns} />}
      {counted.stride_s != null && (
        <Typography sx={{ mt: 1 }}>
          A stride takes {counted.stride_s.toFixed(2)} s, {Math.round(60 / counted.stride_s)} a
          minute, from {counted.beats} beats.
        </Typography>
      )}
      {times.to_mend.map((text) => (
        <Typography key={text} sx={{ color: 'error.main' }}>
          {text}
        </Typography>
      ))}
      <Typography variant="body2" sx={{ color: 'text.secondary', mt: 1 }}>
        Each time is right to one frame, {(frameS * 1000).toFixed(0)} thousandths of a second.
      </Typography>
    </Box>
  );
}

function Run({ said: { times, strides: counted, on_ground } }: { said: Said }) {
  return (
    <>
      <Typography sx={{ fontSize: '2rem', fontWeight: 700 }}>
        {times.time_s == null ? 'Not timed yet' : `${times.time_s.toFixed(2)} s`}
      </Typography>
      <Box component="table" sx={{ ...plainTable, width: '100%' }}>
        <thead>
          <tr>
            <th scope="col">Part</th>
            <th scope="col">Seconds</th>
            <th scope="col">Strides</th>
          </tr>
        </thead>
        <tbody>
          {parts.map((name, part) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              <td>{seconds(times.splits_s[part])}</td>
              <td>{strides(counted.of_part[part])}</td>
            </tr>
          ))}
        </tbody>
      </Box>
      <Box component="table" sx={{ ...plainTable, width: '100%', mt: 1 }}>
        <thead>
          <tr>
            <th scope="col">Barrel</th>
            <th scope="col">In to back</th>
            <th scope="col">Back to out</th>
            <th scope="col">Strides</th>
            <th scope="col">Pocket in, back, out</th>
          </tr>
        </thead>
        <tbody>
          {times.barrels.map((barrel, index) => (
            <tr key={index}>
              <th scope="row">{index + 1}</th>
              <td>{seconds(barrel.in_to_back_s)}</td>
              <td>{seconds(barrel.back_to_out_s)}</td>
              <td>{strides(counted.round_barrel[index])}</td>
              <td>{pocketInWords(on_ground?.pockets_ft[index] ?? [])}</td>
            </tr>
          ))}
        </tbody>
      </Box>
    </>
  );
}

function pocketInWords(pocket: (number | null)[]): string {
  const known = pocket.filter((feet) => feet != null);
  if (known.length === 0) return '–';
  return pocket
    .map((feet) => (feet == null ? '–' : lengthsInWords([Math.round(feet * 10) / 10])))
    .join(', ');
}

function Turns({ turns }: { turns: Said['times']['turns'] }) {
  return (
    <Box component="table" sx={{ ...plainTable, width: '100%', mt: 1 }}>
      <thead>
        <tr>
          <th scope="col">Turn</th>
          <th scope="col">In to back</th>
          <th scope="col">Back to out</th>
        </tr>
      </thead>
      <tbody>
        {turns.map((turn, index) => (
          <tr key={turn.in_s}>
            <th scope="row">{index + 1}</th>
            <td>{seconds(turn.in_to_back_s)}</td>
            <td>{seconds(turn.back_to_out_s)}</td>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}
