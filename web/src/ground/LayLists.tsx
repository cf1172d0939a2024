import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { groundUnit, keepOffWords, shownFeet } from '../base/words/ground';
import { feetOf, put, without } from './layDraft';
import { tenth, type Feet } from './plan';
import type { Lay } from '../data/ground';

interface Props {
  lay: Lay;
  onPut: (change: Partial<Lay>) => void;
}

/** Everything that was drawn, as figures that can be typed. */
export function LayLists({ lay, onPut }: Props) {
  const { posts = [], keep_off: areas = [] } = lay;
  return (
    <Box sx={{ '& details': { borderTop: '1px solid', borderColor: 'divider', py: 1 } }}>
      {lay.outline.length > 0 && (
        <details>
          <summary>Corners ({lay.outline.length})</summary>
          {lay.outline.map((at, index) => (
            <Figures
              key={index}
              name={`Corner ${index + 1}`}
              at={at}
              onAt={(to) => onPut({ outline: put(lay.outline, index, to) })}
              onTakeAway={() => onPut({ outline: without(lay.outline, index) })}
            />
          ))}
        </details>
      )}
      {lay.gate && (
        <details open>
          <summary>Gate</summary>
          <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
            <Figure
              label="Width of the gate"
              feet={lay.gate.width_ft}
              onFeet={(width_ft) => onPut({ gate: { ...lay.gate!, width_ft } })}
            />
            <Button onClick={() => onPut({ gate: undefined })}>Take away</Button>
          </Box>
        </details>
      )}
      {posts.length > 0 && (
        <details open>
          <summary>Posts ({posts.length})</summary>
          {posts.map((post, index) => (
            <Box key={index} sx={{ mt: 1 }}>
              <TextField
                fullWidth
                size="small"
                label={`Name of post ${index + 1}`}
                value={post.name}
                onChange={({ target }) =>
                  onPut({ posts: put(posts, index, { ...post, name: target.value }) })
                }
                slotProps={{ htmlInput: { maxLength: 80 } }}
              />
              <Figures
                name={post.name}
                at={post.at}
                onAt={(to) => onPut({ posts: put(posts, index, { ...post, at: to }) })}
                onTakeAway={() => onPut({ posts: without(posts, index) })}
              />
            </Box>
          ))}
        </details>
      )}
      {areas.length > 0 && (
        <details open>
          <summary>Keep off ({areas.length})</summary>
          {areas.map((area, index) => (
            <Box key={index} sx={{ display: 'flex', alignItems: 'center', gap: 1, mt: 1 }}>
              <Typography sx={{ flex: 1 }}>{keepOffWords[area.kind]}</Typography>
              <Button
                aria-label={`Take away: ${keepOffWords[area.kind]}`}
                onClick={() => onPut({ keep_off: without(areas, index) })}
              >
                Take away
              </Button>
            </Box>
          ))}
        </details>
      )}
    </Box>
  );
}

interface FiguresProps {
  name: string;
  at: Feet;
  onAt: (at: Feet) => void;
  onTakeAway: () => void;
}

function Figures({ name, at, onAt, onTakeAway }: FiguresProps) {
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr auto', gap: 1, mt: 1 }}>
      <Figure label={`${name}, across`} feet={at[0]!} onFeet={(x) => onAt([x, at[1]!])} />
      <Figure label={`${name}, up`} feet={at[1]!} onFeet={(y) => onAt([at[0]!, y])} />
      <Button aria-label={`Take away ${name}`} onClick={onTakeAway} sx={{ minWidth: 48 }}>
        ✕
      </Button>
    </Box>
  );
}

interface FigureProps {
  label: string;
  feet: number;
  onFeet: (feet: number) => void;
}

/** A length that is typed; what is no number yet changes nothing. */
export function Figure({ label, feet, onFeet }: FigureProps) {
  return (
    <TextField
      size="small"
      type="number"
      label={`${label} (${groundUnit()})`}
      value={shownFeet(feet)}
      onChange={({ target }) => {
        const typed = feetOf(target.value);
        if (typed !== null) onFeet(tenth(typed));
      }}
      slotProps={{ htmlInput: { inputMode: 'decimal', step: 'any' } }}
    />
  );
}
