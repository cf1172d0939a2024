import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../base/api/client';
import { FormSelect } from '../base/form/FormSelect';
import { FormText } from '../base/form/FormText';
import { fieldsOf, saidOfAll } from '../base/form/problems';
import { LinkToHand } from '../shell/LinkToHand';
import { useWho } from '../data/who';
import { dayAndClockIn, dayIn, longDay, saidDay } from '../base/words/days';
import { horseLinksQuery, useMakeHorseLink, useRevokeHorseLink } from '../data/owner';

type Days = '30' | '90' | '365';
const lengths: [Days, string][] = [
  ['30', 'a month'],
  ['90', 'three months'],
  ['365', 'a year'],
];

/** Secret links to one horse: made, shown once, taken back. */
export function Links({ horse, on }: { horse: Schemas['OwnersHorse']; on: string }) {
  const { time_zone } = useWho();
  const [forWhom, setForWhom] = useState('');
  const [days, setDays] = useState<Days>('90');
  const make = useMakeHorseLink(horse.horse_id);
  const wrong = fieldsOf(make.error);
  return (
    <Box>
      <Typography variant="h3" component="h2">
        Links
      </Typography>
      <Box
        component="form"
        noValidate
        aria-label="Make a link"
        onSubmit={(event) => {
          event.preventDefault();
          make.mutate({ for_whom: forWhom, days: Number(days) });
        }}
        sx={{ display: 'grid', gap: 1, mt: 1 }}
      >
        <FormText
          label="For whom"
          becomes="NewHorseLink/for_whom"
          value={forWhom}
          onText={setForWhom}
          wrong={wrong['/for_whom'] ?? saidOfAll(make.error, ['/for_whom'])}
        />
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
          <FormSelect label="Works for" value={days} of={lengths} onPick={setDays} />
          <Button
            type="submit"
            disabled={make.isPending}
            sx={{ minHeight: 56, whiteSpace: 'nowrap' }}
          >
            Make a link
          </Button>
        </Box>
      </Box>
      {make.data && (
        <LinkToHand
          address={`${location.origin}/my-horse#${make.data.word}`}
          name={make.variables.for_whom.trim()}
        >
          Whoever has it sees {horse.name} without signing in, until{' '}
          {dayAndClockIn(time_zone, make.data.expires_at)}.
        </LinkToHand>
      )}
      <Made horseId={horse.horse_id} on={on} />
    </Box>
  );
}

function Made({ horseId, on }: { horseId: string; on: string }) {
  const { time_zone } = useWho();
  const links = useQuery(horseLinksQuery(horseId));
  const revoke = useRevokeHorseLink();
  const dayOf = (at: string) => dayIn(time_zone, new Date(at));
  return (
    <Box component="ul" aria-label="Links made" sx={{ listStyle: 'none', m: 0, p: 0, mt: 1 }}>
      {(links.data ?? []).map((link) => (
        <Box
          component="li"
          key={link.link_id}
          sx={{ display: 'flex', gap: 1, alignItems: 'center', py: 0.25 }}
        >
          <Typography sx={{ flex: 1, minWidth: 0 }}>
            <strong>{link.for_whom}</strong>,{' '}
            {link.expired ? 'ran out' : `until ${longDay(dayOf(link.expires_at))}`},{' '}
            {link.opened_at ? `opened ${saidDay(dayOf(link.opened_at), on)}` : 'never opened'}
          </Typography>
          <Button
            disabled={revoke.isPending}
            aria-label={`Take back the link for ${link.for_whom}`}
            onClick={() => revoke.mutate(link.link_id)}
          >
            Take back
          </Button>
        </Box>
      ))}
      {revoke.isError && <Typography role="alert">{revoke.error.message}</Typography>}
    </Box>
  );
}
