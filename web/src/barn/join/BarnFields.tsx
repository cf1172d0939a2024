import type { Schemas } from '../../base/api/client';
import { FormSelect } from '../../base/form/FormSelect';
import { FormText } from '../../base/form/FormText';
import { suggestedSignIn } from '../../base/words/people';
import { TimeZone } from './TimeZone';
import { unitWords } from './units';

export type BarnDraft = Schemas['NewBarn'];

/** What a barn's name suggests behind the @. */
const suggestedHandle = (name: string) =>
  name
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40);

interface Props {
  barn: BarnDraft;
  onBarn: (barn: BarnDraft) => void;
  onSignIn: (signIn: string) => void;
  wrong: Record<string, string>;
}

/** What the first trainer says of the barn. */
export function BarnFields({ barn, onBarn, onSignIn, wrong }: Props) {
  return (
    <>
      <FormText
        label="What the barn is called"
        becomes="NewBarn/name"
        value={barn.name}
        onText={(name) => onBarn({ ...barn, name, handle: suggestedHandle(name) })}
        wrong={wrong['/barn/name']}
      />
      <FormText
        label="Short name, for usernames"
        becomes="NewBarn/handle"
        value={barn.handle}
        onText={(handle) => onBarn({ ...barn, handle: handle.toLowerCase() })}
        wrong={wrong['/barn/handle']}
        helperText="Small letters, figures and dashes"
      />
      <TimeZone
        value={barn.time_zone}
        onZone={(time_zone) => onBarn({ ...barn, time_zone })}
        wrong={wrong['/barn/time_zone']}
      />
      <FormSelect
        label="Units"
        value={barn.units}
        of={unitWords}
        onPick={(units) => onBarn({ ...barn, units })}
      />
      <FormText
        label="Your name"
        becomes="NewBarn/trainer"
        value={barn.trainer}
        onText={(trainer) => {
          onBarn({ ...barn, trainer });
          onSignIn(suggestedSignIn(trainer));
        }}
        wrong={wrong['/barn/trainer']}
        autoComplete="name"
      />
    </>
  );
}
