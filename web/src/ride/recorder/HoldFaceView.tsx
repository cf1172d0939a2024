import Box from '@mui/material/Box';
import { sideWords } from '../../base/words/answers';
import type { HoldFace } from './faces';
import { Half } from './Half';
import { HoldZones } from './HoldZones';
import { LiveRein } from './LiveRein';
import type { FaceRecorder } from './useRecorder';
import { useHold } from './useHold';

/**
 * Half-screens to hold, one a side: while one is held, the other becomes the answers.
 * Where both sides are asked at once the answers stand above the one that is held.
 */
export function HoldFaceView({ face, recorder }: { face: HoldFace; recorder: FaceRecorder }) {
  const { sides, reps, storage } = recorder;
  const { hold, half } = useHold(recorder.holding, face.zones, sides, storage === 'ready');
  const apart = sides.length > 1;
  return (
    <Box
      sx={{
        flex: 1,
        minHeight: 0,
        display: 'flex',
        flexDirection: apart ? 'row' : 'column',
        position: 'relative',
        borderTop: '3px solid',
        borderBottom: '3px solid',
      }}
    >
      {!apart && (
        // Its own place from the start: nothing moves under the thumb.
        <Box sx={{ flex: 1, minHeight: 0, display: 'flex', position: 'relative' }}>
          {hold ? (
            <HoldZones zones={face.zones} zone={hold.zone} />
          ) : (
            <LiveRein reps={reps} longestSoftS={recorder.longestSoftS} />
          )}
        </Box>
      )}
      {sides.map((side) => (
        <Box
          key={side}
          sx={{
            flex: 1,
            display: 'flex',
            position: 'relative',
            minWidth: 0,
            borderTop: apart ? undefined : '1px solid',
          }}
        >
          {apart && hold && hold.side !== side && <HoldZones zones={face.zones} zone={hold.zone} />}
          <Half
            side={side}
            name={side === 'both' ? face.both : sideWords[side]}
            reps={reps}
            hold={hold?.side === side ? hold : null}
            hidden={apart && hold !== null && hold.side !== side}
            ready={storage === 'ready'}
            letGo={face.letGo}
            pointing={half(side)}
          />
        </Box>
      ))}
      {!hold && apart && <LiveRein reps={reps} longestSoftS={recorder.longestSoftS} />}
    </Box>
  );
}
