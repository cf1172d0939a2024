import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import Typography from '@mui/material/Typography';
import { useId } from 'react';
import type { Schemas } from '../../base/api/client';
import { Section } from '../../shell/Section';
import { chooseSchool, chosenSchool } from './changes';
import type { Draft } from './useDraft';

interface Props {
  questions: Schemas['Question'][];
  draft: Draft;
  mayChange: boolean;
}

/** Where good trainers disagree: one choice on each question, none of them wrong. */
export function SchoolForm({ questions, draft, mayChange }: Props) {
  return (
    <Section title="Schools" intro="Good trainers disagree here. Pick yours; none is wrong.">
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '1fr 1fr' },
          columnGap: 4,
        }}
      >
        {questions.map((question) => (
          <Question key={question.id} {...{ question, draft, mayChange }} />
        ))}
      </Box>
    </Section>
  );
}

function Question({
  question,
  draft,
  mayChange,
}: {
  question: Schemas['Question'];
  draft: Draft;
  mayChange: boolean;
}) {
  const id = useId();
  return (
    <Box sx={{ borderTop: '1px solid', borderColor: 'divider', py: 1 }}>
      <Typography id={id} sx={{ fontWeight: 700 }}>
        {question.asks}
      </Typography>
      <RadioGroup
        aria-labelledby={id}
        value={chosenSchool(draft.content, question)}
        onChange={(_, choice) => draft.change(chooseSchool(draft.content, question, choice))}
      >
        {question.choices.map((choice) => (
          <FormControlLabel
            key={choice.id}
            value={choice.id}
            disabled={!mayChange}
            control={<Radio size="small" />}
            label={choice.text}
          />
        ))}
      </RadioGroup>
    </Box>
  );
}
