import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { DrawnRep } from './rein';
import { ReinStrip } from './ReinStrip';
import { CirclePicture, pictureKeys, RunPicture, StopPicture, TurnPicture } from './pictures';
import type { PictureProps } from './pictureRows';
import { StripKey } from './StripKey';

interface Props extends PictureProps {
  longestSoftS?: number;
}

const kindOf = (reps: DrawnRep[]) => reps[0]?.measure.kind;

/** The asks of one part of a ride, each measure in its own way; what is timed as a rein strip. */
export function AsksDrawn({ longestSoftS, ...props }: Props) {
  switch (kindOf(props.reps)) {
    case 'stop':
      return <StopPicture {...props} />;
    case 'circle':
      return <CirclePicture {...props} />;
    case 'turn':
      return <TurnPicture {...props} />;
    case 'run':
      return <RunPicture {...props} />;
    default:
      return (
        <>
          <Box sx={{ display: 'flex', justifyContent: 'space-between', px: 0.5 }}>
            <Typography component="span">Left</Typography>
            <Typography component="span">Right</Typography>
          </Box>
          <ReinStrip {...props} longestSoftS={longestSoftS} />
        </>
      );
  }
}

/** What its marks mean. */
export function AsksKey({ reps }: { reps: DrawnRep[] }) {
  const kind = kindOf(reps);
  const text = kind && pictureKeys[kind];
  return text ? <Typography sx={{ maxWidth: 620, mb: 1 }}>{text}</Typography> : <StripKey />;
}
