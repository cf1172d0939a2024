import Box from '@mui/material/Box';

interface Props {
  tag: string;
  /** Pixels of the numerals. */
  size?: number;
  /** It is not to be worked: the tag hangs hollow. */
  hollow?: boolean;
}

/** A tag as it hangs from an ear: read off in one glance, across the pen. */
export function Tag({ tag, size = 44, hollow = false }: Props) {
  // A long tag is written smaller, so that it stays one tag.
  const letters = Math.max(2, tag.length);
  const numerals = size * Math.min(1, 4 / letters);
  return (
    <Box
      component="span"
      sx={{
        display: 'inline-grid',
        placeItems: 'center',
        width: size * 0.5 + numerals * 0.66 * letters,
        height: size * 1.35,
        // Cut off at the upper corners, where it hangs from the ear.
        clipPath: 'polygon(24% 0, 76% 0, 100% 30%, 100% 100%, 0 100%, 0 30%)',
        bgcolor: 'text.primary',
        color: 'background.default',
        flex: 'none',
      }}
    >
      <Box
        component="span"
        sx={{
          display: 'grid',
          placeItems: 'center',
          width: 'calc(100% - 6px)',
          height: 'calc(100% - 6px)',
          clipPath: 'polygon(24% 0, 76% 0, 100% 30%, 100% 100%, 0 100%, 0 30%)',
          bgcolor: hollow ? 'background.default' : 'transparent',
          color: hollow ? 'text.primary' : 'inherit',
          fontSize: `${numerals}px`,
          fontWeight: 800,
          lineHeight: 1,
          pt: `${size * 0.16}px`,
          fontVariantNumeric: 'tabular-nums',
          whiteSpace: 'nowrap',
        }}
      >
        {tag}
      </Box>
    </Box>
  );
}
