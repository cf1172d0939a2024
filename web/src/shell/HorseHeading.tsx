import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { horsePath } from '../data/horse';

interface Props {
  horse: { horse_id: string; name: string };
  /** The date its page is shown for; today when left out. */
  on?: string;
}

/** The horse a page is about; leads to the horse as a whole. */
export function HorseHeading({ horse, on }: Props) {
  return (
    <Typography variant="h1">
      <Box
        component={Link}
        to={horsePath(horse.horse_id, on)}
        sx={{ color: 'text.primary', textDecorationThickness: 2, textUnderlineOffset: 5 }}
      >
        {horse.name}
      </Box>
    </Typography>
  );
}
