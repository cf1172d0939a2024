import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { FormSelect } from '../../base/form/FormSelect';
import { FormText } from '../../base/form/FormText';
import { fieldsOf, saidOfAll } from '../../base/form/problems';
import { Section } from '../../shell/Section';
import { LevelsToHold } from '../../ladder/LevelsToHold';
import { programsQuery } from '../../data/programs';
import { roadPath } from '../../data/road';
import { useWho } from '../../data/who';
import { dayAfter, dayIn, daysBetween, longDay } from '../../base/words/days';
import { count } from '../../base/words/plain';
import { useSetGoals } from '../../data/horses';

const kinds: [Schemas['GoalKind'], string][] = [
  ['show', 'Show or run'],
  ['sale', 'Sale'],
  ['go_home', 'Goes home'],
  ['other', 'Something else'],
];

interface GoalsProps {
  horseId: string;
  goals: Schemas['Goal'][];
  /** The horse's program, whose levels a goal may take over. */
  programId?: string | null;
}

/** What the horse is meant for, by when, and what it is to hold by then. */
export function Goals({ horseId, goals, programId }: GoalsProps) {
  const { time_zone } = useWho();
  const today = dayIn(time_zone);
  const set = useSetGoals(horseId);
  const program = useQuery(programsQuery).data?.find(({ program_id }) => program_id === programId);
  const change = (index: number, levels: Schemas['Level'][]) =>
    set.mutate(goals.map((goal, other) => (other === index ? { ...goal, levels } : goal)));
  return (
    <Section
      title="Goals"
      intro="A date to work towards: a show, a sale, the day it goes home. Say what the horse is to hold by then, and its road is drawn."
    >
      {goals.some(({ levels }) => (levels ?? []).length > 0) && (
        <Button component={Link} to={roadPath(horseId)} sx={{ mb: 1.5, minHeight: 52 }}>
          The road to it
        </Button>
      )}
      {goals.length === 0 && <Typography>No date yet.</Typography>}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, maxWidth: 640 }}>
        {goals.map((goal, index) => (
          <Box component="li" key={`${goal.day} ${goal.name}`} sx={{ mb: 2 }}>
            <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
              <Typography sx={{ flex: 1 }}>
                <strong>{goal.name}</strong>, {longDay(goal.day)}
                {goal.day > today && `, in ${count(daysBetween(today, goal.day), 'day')}`}
              </Typography>
              <Button
                size="small"
                disabled={set.isPending}
                aria-label={`Take off ${goal.name}`}
                onClick={() => set.mutate(goals.filter((_, other) => other !== index))}
              >
                Take off
              </Button>
            </Box>
            <LevelsToHold
              of={goal.name}
              levels={goal.levels ?? []}
              saving={set.isPending}
              onLevels={(levels) => change(index, levels)}
            />
            {program && program.leads_to.length > 0 && !goal.levels?.length && (
              <Button
                size="small"
                disabled={set.isPending}
                onClick={() => change(index, program.leads_to)}
                sx={{ minHeight: 48 }}
              >
                What {program.name} leads to: {count(program.leads_to.length, 'level')}
              </Button>
            )}
          </Box>
        ))}
      </Box>
      <NewGoal
        today={today}
        wrong={set.error}
        saving={set.isPending}
        place={goals.length}
        onAdd={(goal, done) => set.mutate([...goals, goal], { onSuccess: done })}
      />
    </Section>
  );
}

interface NewGoalProps {
  today: string;
  wrong: Error | null;
  saving: boolean;
  /** Where it stands in the list that is sent. */
  place: number;
  onAdd: (goal: Schemas['Goal'], done: () => void) => void;
}

function NewGoal({ today, wrong, saving, place, onAdd }: NewGoalProps) {
  const fresh = { kind: 'show' as const, name: '', day: dayAfter(today, 60), levels: [] };
  const [goal, setGoal] = useState<Schemas['Goal']>(fresh);
  const said = fieldsOf(wrong);
  const fields = [`/${place}/name`, `/${place}/day`];
  return (
    <Box
      component="form"
      noValidate
      aria-label="Add a goal"
      onSubmit={(event) => {
        event.preventDefault();
        onAdd(goal, () => setGoal(fresh));
      }}
      sx={{ display: 'grid', gap: 1.5, maxWidth: 560, mt: 2 }}
    >
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        <FormSelect
          label="Goal"
          value={goal.kind}
          of={kinds}
          onPick={(kind) => setGoal({ ...goal, kind })}
        />
        <TextField
          type="date"
          label="By"
          value={goal.day}
          error={said[fields[1]!] !== undefined}
          helperText={said[fields[1]!]}
          onChange={({ target }) => setGoal({ ...goal, day: target.value })}
          slotProps={{ inputLabel: { shrink: true } }}
        />
      </Box>
      <FormText
        label="What it is"
        becomes="Goal/name"
        value={goal.name}
        onText={(name) => setGoal({ ...goal, name })}
        wrong={said[fields[0]!]}
        autoComplete="off"
      />
      <Typography role="alert" sx={{ color: 'error.main', '&:empty': { display: 'none' } }}>
        {saidOfAll(wrong, fields)}
      </Typography>
      <Button type="submit" disabled={saving} sx={{ justifySelf: 'start', minHeight: 56 }}>
        Add the goal
      </Button>
    </Box>
  );
}
