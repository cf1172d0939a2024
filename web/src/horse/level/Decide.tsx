import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Checkbox from '@mui/material/Checkbox';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Schemas } from '../../base/api/client';
import { useOverrule, useWithdrawOverrule } from '../../data/horseChanges';
import { pronouns } from '../../base/words/horse';
import { verdictWords, type Verdict } from '../../base/words/answers';
import type { HorseLevel } from '../../data/level';
import { SayDialog } from './SayDialog';

/** What a trainer can decide instead, and what it does. */
const choices: [Verdict, string][] = [
  ['advance', 'Count it as held: what waits for it opens'],
  ['stay', "Don't count it as held: stay here"],
  ['ease_back', "Don't count it as held: go back to what's under it"],
];

/** The trainer's last word on a level. */
export function Decide({ judged, level }: { judged: Schemas['JudgedLevel']; level: HorseLevel }) {
  const [open, setOpen] = useState(false);
  const withdraw = useWithdrawOverrule();
  const standing = judged.judgement.overrule;
  return (
    <>
      {standing ? (
        <Button disabled={withdraw.isPending} onClick={() => withdraw.mutate(standing.overrule_id)}>
          Undo override
        </Button>
      ) : (
        <Button onClick={() => setOpen(true)}>Override</Button>
      )}
      {withdraw.isError && <Typography role="alert">{withdraw.error.message}</Typography>}
      {open && <Deciding judged={judged} level={level} onClose={() => setOpen(false)} />}
    </>
  );
}

interface DecidingProps {
  judged: Schemas['JudgedLevel'];
  level: HorseLevel;
  onClose: () => void;
}

function Deciding({ judged, level, onClose }: DecidingProps) {
  const said = judged.judgement.verdict;
  const offered = choices.filter(([verdict]) => verdict !== said);
  const [counts_as, setCountsAs] = useState<Verdict>(offered[0]![0]);
  const [reason, setReason] = useState('');
  const [under, setUnder] = useState(false);
  const overrule = useOverrule(level.horseId);
  const keep = () =>
    overrule.mutate(
      {
        skill: level.skill,
        rung: level.rung,
        counts_as,
        reason,
        with_all_under_it: under && counts_as === 'advance',
      },
      { onSuccess: onClose },
    );
  return (
    <SayDialog
      title={`${judged.horse.name}: ${judged.level.name}`}
      label="Why"
      becomes="NewOverrule/reason"
      text={reason}
      onText={setReason}
      sending={overrule}
      onSave={keep}
      onClose={onClose}
    >
      <Typography sx={{ mb: 1 }}>
        Cavesson says {verdictWords[said].toLowerCase()}. You have the last word. It&apos;s kept
        with your reason, and later shown with how it turned out.
      </Typography>
      <RadioGroup
        aria-label="What counts instead"
        value={counts_as}
        onChange={(_, value) => setCountsAs(value as Verdict)}
      >
        {offered.map(([verdict, label]) => (
          <FormControlLabel key={verdict} value={verdict} control={<Radio />} label={label} />
        ))}
      </RadioGroup>
      {counts_as === 'advance' && (
        <FormControlLabel
          control={<Checkbox checked={under} onChange={(_, checked) => setUnder(checked)} />}
          label={`And everything under it: already knew it when ${pronouns(judged.horse.sex).he} came`}
        />
      )}
    </SayDialog>
  );
}
