import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../../base/api/client';
import { calculate, hasCore } from '../../base/core/core';
import { packQuery } from '../../offline/pack';
import { VerdictMark } from '../../draw/VerdictMark';
import { horsesQuery } from '../../data/horse';
import { verdictWords } from '../../base/words/answers';
import { count } from '../../base/words/plain';
import type { Program } from '../../data/programs';

interface Props {
  content: Program;
  level: Schemas['LevelBrief'];
}

/** One horse at the gate that is being changed, judged in the page while a number moves. */
export function OneHorse({ content, level }: Props) {
  const horses = useQuery(horsesQuery);
  const [horseId, setHorseId] = useState('');
  const pack = useQuery({ ...packQuery(horseId), enabled: hasCore && horseId !== '' });
  const judged = useQuery({
    queryKey: ['programJudgedHere', horseId, content, pack.dataUpdatedAt],
    queryFn: async () => {
      const { reps, context, date } = pack.data!;
      return calculate('judge', { program: content, reps, context, date });
    },
    enabled: pack.data !== undefined,
    placeholderData: keepPreviousData,
    retry: false,
    gcTime: 0,
  });
  if (!hasCore) return null;
  const asked = judged.data?.verdicts.find(({ name }) => name === level.name);
  return (
    <Box component="section" aria-label="One horse at this gate" sx={{ mt: 2 }}>
      <TextField
        select
        size="small"
        label="Try it on one horse"
        value={horseId}
        onChange={(event) => setHorseId(event.target.value)}
        sx={{ minWidth: 220 }}
      >
        {(horses.data ?? []).map((horse) => (
          <MenuItem key={horse.horse_id} value={horse.horse_id}>
            {horse.name}
          </MenuItem>
        ))}
      </TextField>
      {horseId !== '' && (
        <Box role="status" sx={{ mt: 1 }}>
          {judged.isError && <Typography>{judged.error.message}</Typography>}
          {judged.data && !asked && <Typography>Not asked at this level yet.</Typography>}
          {asked && <Standing judgement={asked.judgement} />}
        </Box>
      )}
    </Box>
  );
}

function Standing({ judgement }: { judgement: Schemas['Judgement'] }) {
  const { verdict, text, takes, gate } = judgement;
  const filled = gate.items.filter(({ passes }) => passes).length;
  return (
    <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center' }}>
      <VerdictMark verdict={verdict} size={40} />
      <Box>
        <Typography sx={{ fontWeight: 700 }}>
          {verdictWords[verdict]}: {filled} of {count(gate.items.length, 'rail')} filled
        </Typography>
        <Typography>{text}</Typography>
        <Typography variant="body2">{takes}</Typography>
      </Box>
    </Box>
  );
}
