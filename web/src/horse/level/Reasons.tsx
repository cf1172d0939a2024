import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { pronouns, type Sex } from '../../base/words/horse';

interface Props {
  reasons: Schemas['Reason'][];
  sex: Sex;
  hrefOf: (kind: string, side: string | null | undefined) => string;
}

/** Every reason, those that hold it back first; each opens its evidence. */
export function Reasons({ reasons, sex, hrefOf }: Props) {
  const held = reasons.filter((reason) => reason.holds_back);
  const good = reasons.filter((reason) => !reason.holds_back);
  return (
    <>
      <List
        title={`What's holding ${pronouns(sex).him} back`}
        reasons={held}
        hrefOf={hrefOf}
        mark="✗"
      />
      <List title="What's good" reasons={good} hrefOf={hrefOf} mark="✓" />
    </>
  );
}

function List({
  title,
  reasons,
  hrefOf,
  mark,
}: Omit<Props, 'sex'> & { title: string; mark: string }) {
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
            key={`${reason.item} ${reason.side} ${reason.text}`}
            sx={{ display: 'flex', gap: 1, py: 0.4 }}
          >
            <span aria-hidden="true">{mark}</span>
            {reason.item ? (
              <Box
                component={Link}
                to={hrefOf(reason.item, reason.side)}
                sx={{ color: 'text.primary', minHeight: 24 }}
              >
                {reason.text}
              </Box>
            ) : (
              <Typography component="span" sx={{ fontWeight: 700 }}>
                {reason.text}
              </Typography>
            )}
          </Box>
        ))}
      </Box>
    </>
  );
}
