import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';

interface Props {
  reasons: Schemas['Reason'][];
  hrefOf: (kind: string, side: string | null | undefined) => string;
}

/** Every reason, those that hold it back first; each opens its evidence. */
export function Reasons({ reasons, hrefOf }: Props) {
  const held = reasons.filter((reason) => reason.holds_back);
  const good = reasons.filter((reason) => !reason.holds_back);
  return (
    <>
      <List title="What holds it" reasons={held} hrefOf={hrefOf} mark="✗" />
      <List title="What is good" reasons={good} hrefOf={hrefOf} mark="✓" />
    </>
  );
}

function List({ title, reasons, hrefOf, mark }: Props & { title: string; mark: string }) {
  if (reasons.length === 0) return null;
  return (
    <>
      <Typography variant="h3" sx={{ mt: 2 }}>
        {title}
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, mt: 0.5, p: 0 }}>
        {reasons.map((reason) => (
          <Box
            component="li"
            key={`${reason.item} ${reason.side} ${reason.says}`}
            sx={{ display: 'flex', gap: 1, py: 0.4 }}
          >
            <span aria-hidden="true">{mark}</span>
            {reason.item ? (
              <Box
                component={Link}
                to={hrefOf(reason.item, reason.side)}
                sx={{ color: 'text.primary', minHeight: 24 }}
              >
                {reason.says}
              </Box>
            ) : (
              <Typography component="span" sx={{ fontWeight: 700 }}>
                {reason.says}
              </Typography>
            )}
          </Box>
        ))}
      </Box>
    </>
  );
}
