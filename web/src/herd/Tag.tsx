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
  const long = tag.length > 3;
  return (
    <Box
      component="span"
      sx={{
        display: 'inline-grid',
        placeItems: 'center',
        minWidth: size * 1.7,
        height: size * 1.35,
        px: size / 100,
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
          fontSize: long ? size * 0.62 : size,
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
