import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Course } from '../../data/ground';
import type { TapeMark, TapeSheet } from './marks';
import { MarksList } from './MarksList';
import { TapeFigures, type Said } from './TapeFigures';
import type { useTape } from './useTape';
import type { Player } from './usePlayer';
import { WayOnPlan } from './WayOnPlan';

interface Props {
  said: Said;
  sheet: TapeSheet;
  course: Course | undefined;
  tape: ReturnType<typeof useTape>;
  player: Player;
}

/** Under the films: figures, marks, and the way on the plan. */
export function TapeSaid({ said, sheet, course, tape, player }: Props) {
  const marks = sheet.marks ?? [];
  const frameS = sheet.films[0]?.frame_s ?? 0;
  if (marks.length === 0 && !said.on_ground) return null;
  const go = ({ film, at_s }: TapeMark) => {
    // Two that are tied are moved by the first.
    const tie = sheet.tie;
    if (player.together && tie && film === 1) player.seekFrame(at_s - tie.second_s + tie.first_s);
    else {
      player.pick(film);
      player.seekFrame(at_s);
    }
  };
  const way = said.on_ground;
  const onPlan = course && way && way.way.length > 1 ? way : undefined;
  const list = (
    <Box sx={{ mt: onPlan ? 3 : 0 }}>
      <Typography variant="h2">Marks</Typography>
      <MarksList
        marks={marks}
        films={sheet.films.length}
        onGo={go}
        onRemove={(gone) => tape.put({ ...sheet, marks: marks.filter((one) => one !== gone) })}
      />
    </Box>
  );
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 3fr) minmax(0, 2fr)' },
        gap: 3,
        mt: 3,
      }}
    >
      <Box>
        <Typography variant="h2">What the marks say</Typography>
        <TapeFigures said={said} frameS={frameS} />
        {onPlan && list}
      </Box>
      {course && onPlan ? <WayOnPlan course={course} way={onPlan} /> : list}
    </Box>
  );
}
