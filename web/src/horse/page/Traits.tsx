import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../base/api/client';
import { traitsQuery } from '../../data/card';
import { QueryState } from '../../shell/QueryState';
import { Chip } from '../../shell/Chip';
import { Section } from '../../shell/Section';
import { useWho } from '../../data/who';
import { useSetTraits } from '../../data/horseChanges';

/** What the horse is like, and what that changes on its card. */
export function Traits({ horse }: { horse: Schemas['Horse'] }) {
  const { records } = useWho();
  const traits = useQuery(traitsQuery);
  const set = useSetTraits(horse.horse_id);
  const has = set.isPending ? set.variables : horse.traits;
  const toggle = (one: Schemas['HorseTrait']) =>
    set.mutate(has.includes(one) ? has.filter((other) => other !== one) : [...has, one]);
  return (
    <Section title="Traits" id="traits" intro="They steer the card.">
      <QueryState query={traits}>
        {(known) => (
          <>
            {records && (
              <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
                {known.map(({ trait, name }) => (
                  <Chip
                    key={trait}
                    label={name}
                    on={has.includes(trait)}
                    onToggle={() => toggle(trait)}
                  />
                ))}
              </Box>
            )}
            <Box component="ul" sx={{ m: 0, mt: 1.5, pl: 2.5 }}>
              {known
                .filter(({ trait }) => has.includes(trait))
                .map(({ trait, name, effect }) => (
                  <Typography component="li" key={trait}>
                    <strong>{name}:</strong> {effect}
                  </Typography>
                ))}
            </Box>
            {has.length === 0 && !records && <Typography>Nothing noted.</Typography>}
          </>
        )}
      </QueryState>
      {set.isError && <Typography role="alert">{set.error.message}</Typography>}
    </Section>
  );
}
