import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import Typography from '@mui/material/Typography';
import { Tag } from '../../cattle/herd/Tag';
import { againstDueWords, goesWords, notForWords, stopsInWords } from '../../base/words/herd';
import type { Advice, CowAtPen } from './usePen';

interface Props {
  advice: Advice;
  cattle: CowAtPen[];
  onPick: (cowId: string) => void;
  onClose: () => void;
}

/** Every cow in the pen, the best for this horse first; what is not for it says why and can be had. */
export function CowPick({ advice, cattle, onPick, onClose }: Props) {
  const choices = advice.cows.flatMap((choice) => {
    const own = cattle.find(({ cow }) => cow.cow_id === choice.cow_id);
    return own ? [{ choice, own }] : [];
  });
  return (
    <Dialog open onClose={onClose} fullScreen aria-label="Pick the cow">
      <Box sx={{ display: 'flex', alignItems: 'center', p: 1, gap: 1 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          Pick the cow
        </Typography>
        <Button onClick={onClose} sx={{ minHeight: 64 }}>
          Close
        </Button>
      </Box>
      <Box
        component="ul"
        aria-label="Cattle"
        sx={{
          listStyle: 'none',
          m: 0,
          px: 1,
          pb: 2,
          overflowY: 'auto',
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(300px, 1fr))',
          columnGap: 2,
        }}
      >
        {choices.map(({ choice, own }) => (
          <Box component="li" key={choice.cow_id} sx={{ borderTop: '1px solid' }}>
            <Box
              component="button"
              type="button"
              onClick={() => onPick(choice.cow_id)}
              aria-label={`Cow ${own.tag}`}
              sx={{
                display: 'flex',
                gap: 1.5,
                alignItems: 'center',
                width: '100%',
                minHeight: 84,
                font: 'inherit',
                textAlign: 'left',
                color: 'inherit',
                bgcolor: 'transparent',
                border: 0,
                p: 0.5,
                '&:active': { bgcolor: 'action.selected' },
              }}
            >
              <Tag tag={own.tag} size={46} hollow={choice.not != null} />
              <span>
                <strong>
                  {goesWords[own.cow.tempo]}, {stopsInWords(own.cow.honesty)}
                </strong>
                <br />
                {choice.not
                  ? notForWords[choice.not]
                  : choice.tempo && againstDueWords[choice.tempo]}
                <br />
                {own.lot}
              </span>
            </Box>
          </Box>
        ))}
      </Box>
    </Dialog>
  );
}
