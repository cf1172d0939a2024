import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useId, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { partWords } from '../../base/words/card';
import { asksOf } from './asksOf';
import type { CardBlock } from '../../data/card';
import { isMoved } from '../../offline/wanted';

interface Props {
  block: CardBlock;
  onSwap?: (() => void) | undefined;
  onDrop?: (() => void) | undefined;
  onEarlier?: (() => void) | undefined;
  onLater?: (() => void) | undefined;
  children?: ReactNode;
}

/** A part of the card: its minutes at the rail, what and why beside, how on a tap. */
export function BlockOnCard({ block, children, ...changes }: Props) {
  const { part, name, minutes, levels } = block;
  const asked = levels.length > 0;
  const own = name.toLowerCase() !== partWords[part].toLowerCase();
  return (
    <Box
      component="li"
      aria-label={name}
      sx={{ display: 'flex', gap: 2, minHeight: asked ? 92 : 56 }}
    >
      <Minutes minutes={minutes} part={part} />
      <Box
        sx={{
          flex: 1,
          minWidth: 0,
          pb: 2,
          pt: 0.75,
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) minmax(0, 1fr)' },
          columnGap: 4,
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          {own && isMoved(block) && (
            <Typography variant="body2" sx={{ fontWeight: 700 }}>
              {partWords[part]}
            </Typography>
          )}
          <Typography variant="h3" component="h2" sx={{ fontSize: asked ? '1.25rem' : '1.05rem' }}>
            {name}
            {asksOf(block)}
          </Typography>
          {levels.length > 1 && <Levels block={block} />}
          <Typography>{block.why}</Typography>
          {block.drill && (
            <Typography sx={{ '@media print': { display: 'none' } }}>
              Drill: <Link to={`/drills/${block.drill.kind}`}>{block.drill.name}</Link>
            </Typography>
          )}
          {block.who && <Typography sx={{ fontWeight: 700 }}>{block.who}</Typography>}
          {children}
        </Box>
        <How block={block} />
        <Box sx={{ minWidth: 0 }}>
          {isMoved(block) && <Change name={name} block={block} {...changes} />}
        </Box>
      </Box>
    </Box>
  );
}

/** The rail of the ride's minutes, a knot at each part. */
function Minutes({ minutes, part }: Pick<CardBlock, 'minutes' | 'part'>) {
  const filled = part === 'work' || part === 'use';
  return (
    <Box sx={{ position: 'relative', width: 56, flex: 'none' }}>
      <Box
        aria-hidden="true"
        sx={{
          position: 'absolute',
          left: 25,
          top: 0,
          bottom: 0,
          width: 6,
          bgcolor: 'text.primary',
        }}
      />
      <Box
        sx={{
          position: 'relative',
          width: 56,
          height: 44,
          mt: 0.5,
          borderRadius: '4px 18px 18px 4px',
          border: '3px solid',
          borderColor: 'text.primary',
          bgcolor: filled ? 'text.primary' : 'background.paper',
          color: filled ? 'background.paper' : 'text.primary',
          display: 'grid',
          placeItems: 'center',
          fontWeight: 700,
          fontSize: '1.1rem',
        }}
      >
        {minutes > 0 ? (
          <span>
            {minutes}
            <Box component="small" sx={{ fontSize: '0.75rem' }}>
              {' '}
              min
            </Box>
          </span>
        ) : (
          '·'
        )}
      </Box>
    </Box>
  );
}

function Levels({ block }: { block: CardBlock }) {
  return (
    <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
      {block.levels.map(({ level, name }) => (
        <li key={`${level.skill}/${level.rung}`}>{name}</li>
      ))}
    </Box>
  );
}

/** How it is done, what counts, when to quit, what if: on a tap. */
function How({ block }: { block: CardBlock }) {
  const [open, setOpen] = useState(false);
  const id = useId();
  const lines: [string, string][] = [
    ['How', block.exercise],
    ['Soft', block.soft],
    ['Quit', block.quit],
    ['Goes wrong', block.if_wrong],
  ];
  const said = lines.filter(([, text]) => text !== '');
  if (said.length === 0) return null;
  return (
    <Box sx={{ minWidth: 0, gridColumn: { md: 2 }, gridRow: { md: '1 / span 2' } }}>
      <Button
        variant="text"
        aria-expanded={open}
        aria-controls={id}
        aria-label={`How, soft, quit: ${block.name}`}
        onClick={() => setOpen(!open)}
        sx={{ minHeight: 44, px: 0, display: { md: 'none' } }}
      >
        {open ? 'Less' : 'How, and when to quit'}
      </Button>
      <Box
        component="dl"
        id={id}
        sx={{
          display: { xs: open ? 'grid' : 'none', md: 'grid' },
          gridTemplateColumns: { xs: '1fr', sm: '6.5rem 1fr' },
          columnGap: 2,
          rowGap: 0.5,
          m: 0,
          mb: 1,
          maxWidth: 860,
        }}
      >
        {said.map(([term, text]) => (
          <Box key={term} sx={{ display: 'contents' }}>
            <Box component="dt" sx={{ fontWeight: 700 }}>
              {term}
            </Box>
            <Box component="dd" sx={{ m: 0 }}>
              {text}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

function Change({ name, block, onSwap, onDrop, onEarlier, onLater }: Props & { name: string }) {
  if (!onDrop) return null;
  const instead = block.instead[0]?.name;
  const sx = { minHeight: 48 };
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75 }}>
      {onSwap && (
        <Button onClick={onSwap} aria-label={`Swap ${name}`} sx={{ ...sx, textAlign: 'left' }}>
          Swap for: {instead}
        </Button>
      )}
      <Button onClick={onDrop} aria-label={`Drop ${name}`} sx={sx}>
        Drop
      </Button>
      {onEarlier && (
        <Button onClick={onEarlier} aria-label={`Earlier: ${name}`} sx={{ ...sx, minWidth: 56 }}>
          ↑
        </Button>
      )}
      {onLater && (
        <Button onClick={onLater} aria-label={`Later: ${name}`} sx={{ ...sx, minWidth: 56 }}>
          ↓
        </Button>
      )}
    </Box>
  );
}
