import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../../base/api/client';
import { FormSelect } from '../../base/form/FormSelect';
import type { Course } from '../../data/ground';
import { useKey } from '../recorder/useKey';
import { lengthsInWords } from '../../base/words/units';
import type { TapeSheet } from './marks';
import type { Said } from './TapeFigures';

/** A place on the ground that can be found in the film. */
export interface GroundPlace {
  name: string;
  ground: number[];
}

/** What a tap in the film places. */
export type Placing = { kind: 'feet' } | { kind: 'known'; place: GroundPlace } | null;

interface Props {
  sheet: TapeSheet;
  said: Said | undefined;
  courses: Course[];
  places: GroundPlace[];
  film: number;
  placing: Placing;
  onPlacing: (placing: Placing) => void;
  onCourse: (courseId: string | null) => void;
}

/** Ties a film to the ground: four points that are known there, then the horse's feet. */
export function GroundPanel(props: Props) {
  const { sheet, courses, places, film, placing, onPlacing, onCourse, said } = props;
  const known = (sheet.known ?? []).filter((one) => one.film === film);
  const track = (sheet.track ?? []).filter((one) => one.film === film);
  const enough = known.length >= 4;
  const feet = () => onPlacing(placing?.kind === 'feet' ? null : { kind: 'feet' });
  useKey('f', () => enough && feet());
  return (
    <Box role="group" aria-label="On the ground" sx={{ display: 'grid', gap: 1 }}>
      <FormSelect
        label="Course"
        value={sheet.course_id ?? ''}
        of={[
          ['', 'Pick the course it was filmed on'],
          ...courses.map(({ course_id, name }): [string, string] => [course_id, name]),
        ]}
        onPick={(id) => onCourse(id || null)}
      />
      {places.length > 0 && (
        <>
          <Typography>
            The camera has to stand still. Pick four or more of these, and tap in the film where
            each stands on the ground.
          </Typography>
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 0.5 }}>
            {places.map((place) => {
              const found = known.some(({ name }) => name === place.name);
              const on = placing?.kind === 'known' && placing.place.name === place.name;
              return (
                <Button
                  key={place.name}
                  aria-pressed={on}
                  variant={on ? 'contained' : 'outlined'}
                  onClick={() => onPlacing(on ? null : { kind: 'known', place })}
                  sx={{ minHeight: 56 }}
                >
                  {found ? '✓ ' : ''}
                  {place.name}
                </Button>
              );
            })}
          </Box>
        </>
      )}
      {known.length > 0 && (
        <Residual known={known} of={said?.on_ground?.films.find((one) => one.film === film)} />
      )}
      {places.length > 0 && (
        <Button
          disabled={!enough}
          aria-pressed={placing?.kind === 'feet'}
          variant={placing?.kind === 'feet' ? 'contained' : 'outlined'}
          onClick={feet}
          sx={{ minHeight: 56 }}
        >
          The horse’s feet (F)
        </Button>
      )}
      {enough && (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          Tap between the front feet, where they meet the ground; each tap steps three frames on.{' '}
          {track.length > 0 && `${track.length} so far.`}
        </Typography>
      )}
    </Box>
  );
}

interface ResidualProps {
  known: Schemas['KnownPoint'][];
  of: NonNullable<Said['on_ground']>['films'][number] | undefined;
}

/** How well the points fit: four always do, which says nothing. */
function Residual({ known, of }: ResidualProps) {
  if (!of) return <Typography>{Math.max(0, 4 - known.length)} more to go.</Typography>;
  if (of.rms_ft == null)
    return (
      <Typography>
        Four points always fit. A fifth shows how well the film lies on the ground.
      </Typography>
    );
  const worst = of.residual_ft.reduce(
    (most, feet, index) => (feet > most.feet ? { feet, index } : most),
    { feet: 0, index: 0 },
  );
  const round = (feet: number) => lengthsInWords([Math.round(feet * 10) / 10]);
  return (
    <Typography role="status">
      The film lies on the ground to {round(of.rms_ft)}; {known[worst.index]?.name} is off most, by{' '}
      {round(worst.feet)}.
    </Typography>
  );
}
