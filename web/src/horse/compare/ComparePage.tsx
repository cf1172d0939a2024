import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import { SoftMap } from '../../draw/SoftMap';
import { zonesAt } from '../../draw/softMap';
import { QueryState } from '../../shell/QueryState';
import { PageFrame } from '../../shell/PageFrame';
import { Section } from '../../shell/Section';
import { horsePageQuery, horsesQuery, type HorsePage } from '../../data/horse';
import { ladderQuery } from '../../data/ladder';
import { useWho } from '../../data/who';
import { dayAfter, dayIn, longDay } from '../../base/words/days';
import { DifferTable } from './DifferTable';
import { differ } from './differ';

/** Which horse on which day: one side of the comparison. */
interface Chosen {
  horseId: string;
  on: string;
}

/** Two horses, or one horse on two dates, side by side. */
export function ComparePage() {
  const { time_zone } = useWho();
  const [search, setSearch] = useSearchParams();
  const horses = useQuery(horsesQuery);
  const today = dayIn(time_zone);
  const first = search.get('horse') ?? horses.data?.[0]?.horse_id ?? '';
  // Of one horse the earlier date stands on the left.
  const one: Chosen = {
    horseId: first,
    on: search.get('on') ?? (search.has('with') ? today : dayAfter(today, -28)),
  };
  const other: Chosen = {
    horseId: search.get('with') ?? first,
    on: search.get('with_on') ?? today,
  };
  const choose = (change: Record<string, string>) =>
    setSearch((before) => ({ ...Object.fromEntries(before), ...change }), { replace: true });
  return (
    <PageFrame title="Compare">
      <Typography variant="h1">Side by side</Typography>
      <Typography sx={{ mt: 0.5, mb: 2 }}>
        One horse on two dates, or two horses on the same or any date.
      </Typography>
      <QueryState query={horses}>
        {(list) => (
          <>
            <Box
              sx={{
                display: 'grid',
                gridTemplateColumns: 'repeat(2, minmax(0, 1fr))',
                gap: { xs: 1, md: 6 },
              }}
            >
              <Choice
                label="First"
                horses={list}
                chosen={one}
                today={today}
                onChoose={({ horseId, on }) => choose({ horse: horseId, on })}
              />
              <Choice
                label="Second"
                horses={list}
                chosen={other}
                today={today}
                onChoose={({ horseId, on }) => choose({ horse: first, with: horseId, with_on: on })}
              />
            </Box>
            {first && <Both one={one} other={other} />}
          </>
        )}
      </QueryState>
    </PageFrame>
  );
}

interface ChoiceProps {
  label: string;
  horses: { horse_id: string; name: string }[];
  chosen: Chosen;
  today: string;
  onChoose: (chosen: Chosen) => void;
}

function Choice({ label, horses, chosen, today, onChoose }: ChoiceProps) {
  return (
    <Box role="group" aria-label={label} sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
      <TextField
        select
        label="Horse"
        value={horses.some(({ horse_id }) => horse_id === chosen.horseId) ? chosen.horseId : ''}
        onChange={(event) => onChoose({ ...chosen, horseId: event.target.value })}
        sx={{ flex: '1 1 150px' }}
      >
        {horses.map(({ horse_id, name }) => (
          <MenuItem key={horse_id} value={horse_id}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        type="date"
        label="On"
        value={chosen.on}
        onChange={(event) => event.target.value && onChoose({ ...chosen, on: event.target.value })}
        slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: today } }}
        sx={{ flex: '1 1 150px' }}
      />
    </Box>
  );
}

function Both({ one, other }: { one: Chosen; other: Chosen }) {
  const first = useQuery(horsePageQuery(one.horseId, one.on));
  const second = useQuery(horsePageQuery(other.horseId, other.on));
  return (
    <QueryState query={first}>
      {(a) => <QueryState query={second}>{(b) => <SideBySide one={a} other={b} />}</QueryState>}
    </QueryState>
  );
}

function SideBySide({ one, other }: { one: HorsePage; other: HorsePage }) {
  const ladder = useQuery(ladderQuery);
  const pairs = differ(one, other);
  const pages = [one, other];
  const two = {
    display: 'grid',
    gridTemplateColumns: 'repeat(2, minmax(0, 1fr))',
    gap: { xs: 1, md: 6 },
  };
  return (
    <>
      <Box sx={{ ...two, mt: 2 }}>
        {pages.map((page, index) => (
          <Box key={index}>
            <Typography variant="h2">{page.horse.name}</Typography>
            <Typography sx={{ color: 'text.secondary' }}>{longDay(page.on)}</Typography>
            <Typography>
              {page.levels.filter(({ counts_as_held }) => counts_as_held).length} levels held.{' '}
              {page.stiff_side ? `Stiff on the ${page.stiff_side.side}.` : 'Even.'}
            </Typography>
          </Box>
        ))}
      </Box>
      <Section title="Where they differ">
        {pairs.length === 0 ? (
          <Typography>Nowhere: they stand the same at every level.</Typography>
        ) : (
          <DifferTable pairs={pairs} pages={[one, other]} tracks={ladder.data?.tracks ?? []} />
        )}
      </Section>
      <Section title="Soft maps" intro="Each over the 14 days up to its date, all gaits.">
        <Box
          sx={{
            ...two,
            gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: two.gridTemplateColumns },
          }}
        >
          {pages.map((page, index) => (
            <Box key={index}>
              <Typography variant="h3">
                {page.horse.name}, {longDay(page.on)}
              </Typography>
              <SoftMap
                zones={zonesAt(page.soft_map, null)}
                picked={null}
                onPick={() => undefined}
              />
            </Box>
          ))}
        </Box>
      </Section>
    </>
  );
}
