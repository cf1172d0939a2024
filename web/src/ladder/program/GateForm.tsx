import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputAdornment from '@mui/material/InputAdornment';
import MenuItem from '@mui/material/MenuItem';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import FormControlLabel from '@mui/material/FormControlLabel';
import Slider from '@mui/material/Slider';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Schemas } from '../../base/api/client';
import { hands, handWords, type HandWeight } from '../../base/words/answers';
import { changedGate, changeGate, resetGate, valueIn, type Target } from './changes';
import { fieldsFor, groups, read, typed, valueAt, type GateField, type Value } from './gateFields';
import type { Draft } from './useDraft';

interface Props {
  shown: Schemas['ShownLevel'];
  /** The gate as it ships. */
  shipped: Schemas['Gate'];
  draft: Draft;
  mayChange: boolean;
}

/** The numbers of one gate; what differs from the ladder as it ships says so. */
export function GateForm({ shown, shipped, draft, mayChange }: Props) {
  const { level } = shown;
  const [whole, setWhole] = useState(false);
  const target: Target = whole ? { skill: level.skill } : { skill: level.skill, rung: level.rung };
  const changed = Object.keys(changedGate(draft.content, target)).length > 0;
  return (
    <Box
      component="section"
      aria-label={`Gate of ${level.name}`}
      sx={{
        my: 2,
        p: 2,
        bgcolor: 'background.paper',
        borderTop: '7px solid',
        borderColor: 'text.primary',
      }}
    >
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
        <Typography variant="h2" sx={{ flex: '1 1 240px' }}>
          {whole ? level.skill_name : level.name}
        </Typography>
        {mayChange && (
          <Button
            size="small"
            disabled={!changed}
            onClick={() => draft.change(resetGate(draft.content, target))}
          >
            Reset to standard
          </Button>
        )}
      </Box>
      <Typography variant="body2">{level.ask}</Typography>
      {shown.measured && (
        <Typography variant="body2" sx={{ mt: 1, maxWidth: 640 }}>
          <strong>The standard gate.</strong> {shown.measured}
        </Typography>
      )}
      {mayChange && (
        <RadioGroup
          row
          aria-label="What is changed"
          value={whole ? 'skill' : 'level'}
          onChange={(_, value) => setWhole(value === 'skill')}
        >
          <FormControlLabel value="level" control={<Radio />} label="This level" />
          <FormControlLabel value="skill" control={<Radio />} label="Every level of the skill" />
        </RadioGroup>
      )}
      {groups
        .map((group) => ({ ...group, fields: fieldsFor(group, level.measure) }))
        .filter(({ fields }) => fields.length > 0)
        .map(({ title, fields }) => (
          <Box key={title} sx={{ mt: 1.5 }}>
            <Typography variant="h3">{title}</Typography>
            <Box
              sx={{
                display: 'grid',
                gridTemplateColumns: 'repeat(auto-fill, minmax(210px, 1fr))',
                gap: 1.5,
                mt: 1,
              }}
            >
              {fields.map((field) => (
                <Field
                  key={`${field.path} ${level.name} ${whole}`}
                  field={field}
                  value={
                    whole
                      ? changedOr(changedGate(draft.content, target), shipped, field.path)
                      : valueIn(draft.content, level, field.path, shipped)
                  }
                  ships={valueAt(shipped, field.path)}
                  mayChange={mayChange}
                  onChange={(value) =>
                    draft.change(
                      changeGate(draft.content, target, field.path, value),
                      `${target.skill} ${target.rung} ${field.path}`,
                    )
                  }
                />
              ))}
            </Box>
          </Box>
        ))}
    </Box>
  );
}

interface FieldProps {
  field: GateField;
  value: Value | undefined;
  ships: Value | undefined;
  mayChange: boolean;
  onChange: (value: Value | undefined) => void;
}

function Field({ field, value, ships, mayChange, onChange }: FieldProps) {
  // What is typed stands until it is a number; what comes from elsewhere replaces it.
  const [text, setText] = useState<string | null>(null);
  const current = typed(field, value);
  const differs = value !== ships;
  const hint = differs ? `standard: ${said(field, ships)}` : ' ';
  const put = (next: Value) => onChange(next === ships ? undefined : next);
  if (field.choice)
    return (
      <TextField
        select
        size="small"
        label={field.label}
        value={String(value ?? '')}
        disabled={!mayChange}
        helperText={hint}
        onChange={(event) =>
          put(field.choice === 'yes_no' ? event.target.value === 'true' : event.target.value)
        }
      >
        {(field.choice === 'yes_no' ? ['true', 'false'] : hands).map((choice) => (
          <MenuItem key={choice} value={choice}>
            {choiceWord(choice)}
          </MenuItem>
        ))}
      </TextField>
    );
  const shown = text !== null && read(field, text) === value ? text : current;
  const broken = text !== null && read(field, text) === undefined;
  const box = (
    <TextField
      size="small"
      label={field.label}
      value={broken ? text : shown}
      disabled={!mayChange}
      error={broken}
      helperText={broken ? 'a number' : value === null && !differs ? 'no rail' : hint}
      slotProps={{
        htmlInput: { inputMode: 'decimal' },
        input: {
          endAdornment: field.unit && <InputAdornment position="end">{field.unit}</InputAdornment>,
        },
      }}
      onChange={(event) => {
        setText(event.target.value);
        const number = read(field, event.target.value);
        if (number !== undefined) put(number);
      }}
      onBlur={() => setText(null)}
      sx={differs ? { '& input': { fontWeight: 800 } } : undefined}
    />
  );
  if (!field.percent || !mayChange || typeof value !== 'number') return box;
  return (
    <Box sx={{ display: 'grid' }}>
      {box}
      <Slider
        size="small"
        aria-label={`${field.label}, slider`}
        value={Math.round(value * 100)}
        min={field.path === 'confidence' ? 50 : 0}
        max={field.path === 'confidence' ? 99 : 100}
        valueLabelDisplay="auto"
        onChange={(_, next) => put(next / 100)}
        sx={{ mx: 1, width: 'calc(100% - 16px)' }}
      />
    </Box>
  );
}

/** What a change makes of a field; what it leaves alone is as it ships. */
function changedOr(changed: object, shipped: object, path: string): Value | undefined {
  const value = valueAt(changed, path);
  return value === undefined ? valueAt(shipped, path) : value;
}

const choiceWord = (choice: string) =>
  choice === 'true' ? 'yes' : choice === 'false' ? 'no' : handWords[choice as HandWeight];

function said(field: GateField, value: Value | undefined): string {
  if (field.choice) return choiceWord(String(value));
  if (value === null) return 'no rail';
  return typed(field, value);
}
