import Box from '@mui/material/Box';
import { partWords } from '../../base/words/card';
import { asksOf } from './asksOf';
import type { Card, CardBlock } from '../../data/card';

const cellSx = { verticalAlign: 'top', p: '3px 6px', borderTop: '1px solid', lineHeight: 1.25 };

/** The card on one page of paper: a row a part, everything said. */
export function PrintedCard({ card }: { card: Card }) {
  return (
    <Box
      component="table"
      aria-label="The card"
      sx={{
        display: 'none',
        '@media print': { display: 'table' },
        width: '100%',
        borderCollapse: 'collapse',
        fontSize: '8.5pt',
        mt: 1,
      }}
    >
      <thead>
        <tr>
          {['Min', 'What', 'How', 'Soft, quit, if it goes wrong'].map((name) => (
            <Box component="th" key={name} scope="col" sx={{ ...cellSx, textAlign: 'left' }}>
              {name}
            </Box>
          ))}
        </tr>
      </thead>
      <tbody>
        {card.blocks.map((block, index) => (
          // A card may have the same part twice.
          <tr key={`${block.part} ${index}`}>
            <Box component="td" sx={{ ...cellSx, fontWeight: 700 }}>
              {block.minutes || ''}
            </Box>
            <Box component="td" sx={{ ...cellSx, width: '27%' }}>
              <What block={block} />
            </Box>
            <Box component="td" sx={{ ...cellSx, width: '31%' }}>
              {block.exercise}
            </Box>
            <Box component="td" sx={cellSx}>
              {[block.soft, block.quit, block.if_wrong].filter(Boolean).join(' ')}
            </Box>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}

function What({ block }: { block: CardBlock }) {
  const named = block.levels.length > 1 ? block.levels.map(({ name }) => name).join('; ') : '';
  return (
    <>
      <strong>
        {block.name === partWords[block.part] || block.levels.length !== 1
          ? block.name
          : `${partWords[block.part]}: ${block.name}`}
      </strong>
      {asksOf(block)}. {named && `${named}. `}
      {block.why} {block.who}
    </>
  );
}
