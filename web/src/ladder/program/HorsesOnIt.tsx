import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { Section } from '../../shell/Section';
import { horsePath, horsesQuery } from '../../data/horse';
import { usePutOnProgram } from '../../data/horseChanges';
import { programsQuery } from '../../data/programs';

/** Which horses are on the program; one is put on it or taken off. */
export function HorsesOnIt({
  program,
  mayChange,
}: {
  program: Schemas['ShownProgram'];
  mayChange: boolean;
}) {
  const horses = useQuery(horsesQuery);
  const programs = useQuery(programsQuery);
  const put = usePutOnProgram();
  const { program_id } = program;
  const ids = programs.data?.find((one) => one.program_id === program_id)?.horses ?? [];
  const on = (horses.data ?? []).filter(({ horse_id }) => ids.includes(horse_id));
  const others = (horses.data ?? []).filter(({ horse_id }) => !ids.includes(horse_id));
  return (
    <Section title="Horses on it">
      {on.length === 0 && <Typography>None yet.</Typography>}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {on.map(({ horse_id, name }) => (
          <Box component="li" key={horse_id} sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
            <Box
              component={Link}
              to={horsePath(horse_id)}
              sx={{ flex: 1, color: 'text.primary', fontWeight: 600 }}
            >
              {name}
            </Box>
            {mayChange && (
              <Button
                size="small"
                variant="text"
                aria-label={`Take ${name} off it`}
                disabled={put.isPending}
                onClick={() => put.mutate({ horse_id, program_id: null })}
              >
                Take off
              </Button>
            )}
          </Box>
        ))}
      </Box>
      {mayChange && others.length > 0 && (
        <TextField
          select
          size="small"
          label="Put a horse on it"
          value=""
          disabled={put.isPending}
          onChange={(event) => put.mutate({ horse_id: event.target.value, program_id })}
          error={put.isError}
          helperText={put.error?.message}
          sx={{ mt: 1, width: '100%', maxWidth: 320 }}
        >
          {others.map(({ horse_id, name }) => (
            <MenuItem key={horse_id} value={horse_id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      )}
    </Section>
  );
}
