import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { memo, useCallback, useEffect, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { FormSelect } from '../base/form/FormSelect';
import { QueryState } from '../shell/QueryState';
import { PageFrame } from '../shell/PageFrame';
import { gearQuery, type Piece } from '../data/yard';
import { isCurb, isJointed, readBench, usualBench, writeBench, type Bench } from './bench';
import { BenchSliders } from './BenchSliders';
import { CurbOnBench } from './CurbOnBench';
import { SnaffleOnBench } from './SnaffleOnBench';

/** The hand rests so long before the address follows it. */
const restMs = 200;

/** A bit, or two for the same hands: turn it, pull it, buckle it, and see what it does. */
export function BenchPage() {
  const gear = useQuery(gearQuery);
  return (
    <PageFrame title="Bit bench">
      <Typography variant="h1">Bit bench</Typography>
      <Typography sx={{ color: 'text.secondary', maxWidth: 720 }}>
        What a bit does for a given hand. Figures are about the piece, never a reason to ride on
        where a horse hurts.
      </Typography>
      <QueryState query={gear}>
        {(pieces) => {
          const bits = pieces.filter((piece) => isCurb(piece) || isJointed(piece));
          return bits.length > 0 ? <OnBench bits={bits} /> : <NoBits />;
        }}
      </QueryState>
    </PageFrame>
  );
}

function NoBits() {
  return (
    <>
      <Typography sx={{ mt: 3, maxWidth: 560 }}>
        No bit is measured yet. Measure purchase and shank of a shank bit, or the mouthpiece of a
        jointed snaffle, on the tack shelf.
      </Typography>
      <Button component={Link} to="/yard" variant="contained" sx={{ mt: 2, minHeight: 56 }}>
        To the tack shelf
      </Button>
    </>
  );
}

function OnBench({ bits }: { bits: Piece[] }) {
  const [search, setSearch] = useSearchParams();
  // The hand is quicker than the address, which follows.
  const [bench, setBench] = useState<Bench>(() => readBench(search));
  const [bit, setBit] = useState(search.get('bit') ?? bits[0]!.gear_id);
  const [other, setOther] = useState(search.get('with') ?? '');
  const first = bits.find(({ gear_id }) => gear_id === bit) ?? bits[0]!;
  const second = bits.find(({ gear_id }) => gear_id === other);
  const set = useCallback(
    (change: Partial<Bench>) => setBench((before) => ({ ...before, ...change })),
    [],
  );
  const address = writeBench(bench, bit, other).toString();
  useEffect(() => {
    if (address === search.toString()) return;
    // Once the hand rests: writing an address draws the whole page anew.
    const rests = setTimeout(() => setSearch(address, { replace: true }), restMs);
    return () => clearTimeout(rests);
  }, [address, search, setSearch]);
  const onBench = second ? [first, second] : [first];
  const longest = Math.max(...onBench.map(({ measures }) => measures.shank_in ?? 0));
  return (
    <>
      <PickBits
        bits={bits}
        first={first.gear_id}
        second={second?.gear_id ?? ''}
        onFirst={setBit}
        onSecond={setOther}
      />
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: {
            xs: 'minmax(0, 1fr)',
            md: second ? 'repeat(2, minmax(0, 1fr))' : 'minmax(0, 3fr) minmax(0, 2fr)',
          },
          gap: { xs: 2, md: 4 },
          mt: 2,
        }}
      >
        {onBench.map((piece) =>
          isCurb(piece) ? (
            <CurbOnBench
              key={piece.gear_id}
              piece={piece}
              bench={bench}
              longestShank={longest}
              onBench={set}
            />
          ) : (
            <SnaffleOnBench key={piece.gear_id} piece={piece} bench={bench} onBench={set} />
          ),
        )}
        <Box
          sx={
            second && {
              gridColumn: { md: '1 / -1' },
              columns: { md: 2 },
              columnGap: 6,
              '& > *': { breakInside: 'avoid' },
            }
          }
        >
          <BenchSliders
            bench={bench}
            curb={onBench.some(isCurb)}
            snaffle={onBench.some(isJointed)}
            onBench={set}
          />
          <Button onClick={() => setBench(usualBench)} sx={{ mt: 1, minHeight: 52 }}>
            Back to the start
          </Button>
        </Box>
      </Box>
    </>
  );
}

interface PickProps {
  bits: Piece[];
  first: string;
  second: string;
  onFirst: (gearId: string) => void;
  onSecond: (gearId: string) => void;
}

/** Which bits lie on the bench; drawn anew only when they change. */
const PickBits = memo(function PickBits({ bits, first, second, onFirst, onSecond }: PickProps) {
  const names = bits.map(({ gear_id, name }): [string, string] => [gear_id, name]);
  return (
    <Box
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        gap: 1.5,
        mt: 2,
        '& > *': { flex: '1 1 220px', maxWidth: 320 },
      }}
    >
      <FormSelect
        label="Bit"
        value={first}
        of={names}
        onPick={(id) => {
          onFirst(id);
          if (id === second) onSecond('');
        }}
      />
      <FormSelect
        label="Beside it"
        value={second}
        of={[['', 'Nothing'] as [string, string], ...names.filter(([id]) => id !== first)]}
        onPick={onSecond}
      />
    </Box>
  );
});
