import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { OutcomeMark } from '../../draw/OutcomeMark';
import { useWithdrawOverrule } from '../../data/horseChanges';
import { levelPath } from '../../data/level';
import { useWho } from '../../data/who';
import { verdictWords } from '../../base/words/answers';
import { dayIn, saidDay } from '../../base/words/days';
import { cameWith, type Decision } from './cameWith';
import { keptBackWords, outcomeWords } from '../../base/words/states';

/** Decisions of trainers, each with its reason and what came of it. */
export function DecisionList({
  decisions,
  withHorse,
}: {
  decisions: Decision[];
  withHorse: boolean;
}) {
  return (
    <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {cameWith(decisions).map(({ first, others }) => (
        <Line
          key={first.overrule.overrule_id}
          decision={first}
          others={others}
          withHorse={withHorse}
        />
      ))}
    </Box>
  );
}

function Line({
  decision,
  others,
  withHorse,
}: {
  decision: Decision;
  others: Decision[];
  withHorse: boolean;
}) {
  const { decides, time_zone } = useWho();
  const withdraw = useWithdrawOverrule();
  const takeBack = async () => {
    for (const one of [decision, ...others]) {
      await withdraw.mutateAsync(one.overrule.overrule_id).catch(() => undefined);
    }
  };
  const { horse, level, overrule, made_by, withdrawn, outcome } = decision;
  const words = overrule.counts_as === 'advance' ? outcomeWords : keptBackWords;
  return (
    <Box
      component="li"
      sx={{ display: 'flex', gap: 1.5, py: 1, borderTop: '1px solid', borderColor: 'divider' }}
    >
      <OutcomeMark outcome={outcome} />
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography sx={{ fontWeight: 700 }}>
          {withHorse && `${horse.name}: `}
          <Box
            component={Link}
            to={levelPath({ horseId: horse.horse_id, ...level })}
            sx={{ color: 'text.primary' }}
          >
            {level.name}
          </Box>
          {others.length > 0 && ` and ${others.length} more`}
        </Typography>
        <Typography>
          {overrule.counts_as === 'advance' ? 'Counted as held' : 'Kept back'}; Cavesson had said{' '}
          {verdictWords[overrule.judge_said].toLowerCase()}. “{overrule.reason}”
        </Typography>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {made_by}, {saidDay(overrule.day, dayIn(time_zone))}.{' '}
          {withdrawn ? 'Undone.' : `${words[outcome]}.`}
        </Typography>
        {withdraw.isError && <Typography role="alert">{withdraw.error.message}</Typography>}
      </Box>
      {decides && !withdrawn && (
        <Button
          size="small"
          sx={{ alignSelf: 'center' }}
          disabled={withdraw.isPending}
          aria-label={`Undo override: ${level.name}`}
          onClick={() => void takeBack()}
        >
          Undo
        </Button>
      )}
    </Box>
  );
}
