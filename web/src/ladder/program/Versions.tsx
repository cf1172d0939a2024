import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../../base/api/client';
import { Section } from '../../shell/Section';
import { useWho } from '../../data/who';
import { clockIn, dayIn, saidDay } from '../../base/words/days';
import { same } from './changes';
import type { Draft } from './useDraft';
import { count } from '../../base/words/plain';

interface Props {
  program: Schemas['ShownProgram'];
  draft: Draft;
  mayChange: boolean;
}

/** Every version; an old one can be taken up again, and is saved as a new one. */
export function Versions({ program, draft, mayChange }: Props) {
  const { time_zone } = useWho();
  const today = dayIn(time_zone);
  return (
    <Section title="Versions">
      <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {program.versions.map((version) => (
          <Box
            component="li"
            key={version.version}
            sx={{
              display: 'flex',
              gap: 1,
              py: 0.5,
              alignItems: 'center',
              borderTop: '1px solid',
              borderColor: 'divider',
            }}
          >
            <Box sx={{ flex: 1 }}>
              <Typography sx={{ fontWeight: 700 }}>
                Version {version.version}
                {version.version === program.version && ', in use'}
              </Typography>
              <Typography variant="body2" sx={{ color: 'text.secondary' }}>
                {version.made_by}, {saidDay(dayIn(time_zone, new Date(version.made_at)), today)}{' '}
                {clockIn(time_zone, version.made_at)}, on ladder {version.ladder_version}.{' '}
                {version.content
                  ? holds(version.content)
                  : "This version of Cavesson can't read it; it is kept."}
              </Typography>
            </Box>
            {mayChange && version.content && !same(version.content, draft.content) && (
              <TakeUp version={version} onTakeUp={draft.change} />
            )}
          </Box>
        ))}
      </Box>
    </Section>
  );
}

interface TakeUpProps {
  version: Schemas['ShownVersion'];
  onTakeUp: (content: Schemas['Program']) => void;
}

function TakeUp({ version: { version, content }, onTakeUp }: TakeUpProps) {
  return (
    <Button
      size="small"
      aria-label={`Restore version ${version}`}
      onClick={() => content && onTakeUp(content)}
    >
      Restore
    </Button>
  );
}

function holds({ gates = [], schools = {} }: Schemas['Program']): string {
  return `${count(gates.length, 'gate')}, ${count(Object.keys(schools).length, 'school')} changed.`;
}
