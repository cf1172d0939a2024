import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { FormSelect } from '../base/form/FormSelect';
import { OneSlider } from '../shell/OneSlider';
import { groundUnit, shownFeet } from '../base/words/ground';
import { feetOf } from './layDraft';
import { obstacleNames, sizes, spacingAt, type Obstacle, type Placed } from './trailDraft';

interface Props {
  number: number;
  placed: Placed;
  onPut: (placed: Placed) => void;
  onEarlier?: () => void;
  onLater?: () => void;
  onTakeAway?: () => void;
}

/** The sizes of one obstacle, which way it is ridden, and its turn in the course. */
export function ObstacleForm({ number, placed, onPut, onEarlier, onLater, onTakeAway }: Props) {
  const { obstacle } = placed;
  const put = (change: Partial<Obstacle>) =>
    onPut({ ...placed, obstacle: { ...obstacle, ...change } as Obstacle });
  const figures = Object.entries(obstacle).filter(([field]) => field in sizes) as [
    string,
    number,
  ][];
  return (
    <Box
      component="section"
      aria-label={`Obstacle ${number}`}
      sx={{ borderLeft: '5px solid', borderColor: 'primary.main', pl: 2 }}
    >
      <Typography variant="h3" component="h2">
        {number}. {obstacleNames[obstacle.kind]}
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5, mt: 1.5 }}>
        {'gait' in obstacle && (
          <FormSelect
            label="Ridden at"
            value={obstacle.gait}
            of={[
              ['walk', 'Walk'],
              ['jog', 'Jog'],
              ['trot', 'Trot'],
              ...(obstacle.kind === 'poles' ? [['lope', 'Lope'] as ['lope', string]] : []),
            ]}
            onPick={(gait) =>
              put(
                obstacle.kind === 'poles'
                  ? { gait, spacing_ft: spacingAt[gait as keyof typeof spacingAt] }
                  : { gait },
              )
            }
          />
        )}
        {figures.map(([field, value]) => {
          const [label, unit] = sizes[field]!;
          const plain = field === 'poles';
          const inFeet = unit === 'ft' && !plain;
          return (
            <TextField
              key={field}
              type="number"
              label={plain ? label : `${label} (${inFeet ? groundUnit() : 'in'})`}
              value={inFeet ? shownFeet(value) : value}
              onChange={({ target }) => {
                const typed = inFeet ? feetOf(target.value) : Number(target.value);
                if (typed !== null && target.value !== '' && Number.isFinite(typed))
                  put({ [field]: plain ? Math.round(typed) : typed });
              }}
              slotProps={{ htmlInput: { inputMode: 'decimal', step: 'any', min: 0 } }}
            />
          );
        })}
      </Box>
      <OneSlider
        label="Which way"
        said={`Ridden toward ${Math.round(placed.heading_deg)}°`}
        note="90° is up the plan"
        value={((placed.heading_deg % 360) + 360) % 360}
        min={0}
        max={355}
        step={5}
        onChange={(_event, heading_deg) => onPut({ ...placed, heading_deg })}
      />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        <Button disabled={!onEarlier} onClick={onEarlier}>
          Earlier
        </Button>
        <Button disabled={!onLater} onClick={onLater}>
          Later
        </Button>
        <Button disabled={!onTakeAway} onClick={onTakeAway}>
          Take away
        </Button>
      </Box>
    </Box>
  );
}
