import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import type { Schemas } from '../../base/api/client';
import { FormSelect } from '../../base/form/FormSelect';
import { FormText } from '../../base/form/FormText';
import { Chip } from '../../shell/Chip';
import { horsesQuery } from '../../data/horse';
import { useWho } from '../../data/who';
import { roleMeans, roleWords, suggestedSignIn } from '../../base/words/people';
import { rigWords } from '../../base/words/states';

export interface PersonDraft {
  name: string;
  sign_in: string;
  role: Schemas['Role'];
  clearance: Schemas['Clearance'];
  hours: Schemas['WorkHours'][];
  home_by: string | null;
}

const roles = (Object.keys(roleWords) as Schemas['Role'][]).map(
  (role) => [role, `${roleWords[role]}: ${roleMeans[role].toLowerCase()}`] as const,
);

interface Props {
  draft: PersonDraft;
  onDraft: (draft: PersonDraft) => void;
  wrong: Record<string, string>;
  /** Somebody new: the username follows the name. */
  fresh?: boolean;
}

/** Name, role, username. */
export function PersonFields({ draft, onDraft, wrong, fresh }: Props) {
  const { handle } = useWho();
  const put = (change: Partial<PersonDraft>) => onDraft({ ...draft, ...change });
  return (
    <>
      <FormText
        label="Name"
        becomes="PersonSheet/name"
        value={draft.name}
        onText={(name) => put({ name, ...(fresh && { sign_in: suggestedSignIn(name) }) })}
        wrong={wrong['/name']}
        autoComplete="off"
      />
      <FormSelect
        label="Role"
        value={draft.role}
        of={roles}
        onPick={(role) => put({ role })}
        wrong={wrong['/role']}
      />
      <FormText
        label="Username"
        becomes="PersonSheet/sign_in"
        value={draft.sign_in}
        onText={(text) => put({ sign_in: text.toLowerCase() })}
        wrong={wrong['/sign_in']}
        helperText={`They sign in as ${draft.sign_in || 'name'}@${handle}`}
        autoComplete="off"
      />
    </>
  );
}

const rigs = Object.keys(rigWords) as Schemas['RigKind'][];

/** Which horses, in what, and after what a rider may ride. */
export function ClearanceFields({ draft, onDraft }: Pick<Props, 'draft' | 'onDraft'>) {
  const horses = useQuery(horsesQuery);
  const { clearance } = draft;
  const put = (change: Partial<Schemas['Clearance']>) =>
    onDraft({ ...draft, clearance: { ...clearance, ...change } });
  const only = clearance.only_horses;
  const toggled = <T,>(all: T[], one: T) =>
    all.includes(one) ? all.filter((other) => other !== one) : [...all, one];
  return (
    <Box component="fieldset" sx={{ border: 0, m: 0, p: 0 }}>
      <Typography component="legend" variant="h2">
        Cleared for
      </Typography>
      <Typography sx={{ color: 'text.secondary' }}>
        Who isn&apos;t cleared is stopped when the ride is given to them or before it begins, never
        in the saddle.
      </Typography>
      <Typography variant="h3" component="p" sx={{ mt: 1.5 }}>
        Headgear
      </Typography>
      <Chips>
        {rigs.map((rig) => (
          <Chip
            key={rig}
            label={rigWords[rig]}
            on={clearance.rigs.includes(rig)}
            onToggle={() => put({ rigs: toggled(clearance.rigs, rig) })}
          />
        ))}
      </Chips>
      <Typography variant="h3" component="p" sx={{ mt: 1.5 }}>
        Work
      </Typography>
      <Chips>
        <Chip
          label="Cattle"
          on={clearance.cattle}
          onToggle={() => put({ cattle: !clearance.cattle })}
        />
        <Chip
          label="First rides"
          on={clearance.first_rides}
          onToggle={() => put({ first_rides: !clearance.first_rides })}
        />
        <Chip
          label="Tack for quiet hands"
          on={clearance.quiet_hands ?? false}
          onToggle={() => put({ quiet_hands: !clearance.quiet_hands })}
        />
      </Chips>
      <Typography variant="h3" component="p" sx={{ mt: 1.5 }}>
        Horses
      </Typography>
      <Chips>
        <Chip
          label="Every horse"
          on={only == null}
          onToggle={() => put({ only_horses: only == null ? [] : null })}
        />
        {only != null &&
          horses.data?.map((horse) => (
            <Chip
              key={horse.horse_id}
              label={horse.name}
              on={only.includes(horse.horse_id)}
              onToggle={() => put({ only_horses: toggled(only, horse.horse_id) })}
            />
          ))}
      </Chips>
    </Box>
  );
}

function Chips({ children }: { children: ReactNode }) {
  return <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 0.75 }}>{children}</Box>;
}
