import Box from '@mui/material/Box';

/** The parts of the horse's page: what leads to each, and its id. */
export interface Part {
  id: string;
  name: string;
}

/** An index of the page's parts, at hand wherever one has scrolled to. */
export function PageIndex({ parts }: { parts: Part[] }) {
  return (
    <Box
      component="nav"
      aria-label="On this page"
      sx={{
        position: 'sticky',
        top: 0,
        zIndex: 3,
        mx: { xs: -2, md: -4 },
        px: { xs: 2, md: 4 },
        mb: 2,
        bgcolor: 'background.default',
        borderBottom: '1px solid',
        borderColor: 'divider',
        overflowX: 'auto',
        scrollbarWidth: 'none',
        '@media print': { display: 'none' },
      }}
    >
      <Box component="ul" sx={{ display: 'flex', gap: 0.5, m: 0, p: 0, listStyle: 'none' }}>
        {parts.map(({ id, name }) => (
          <li key={id}>
            <Box
              component="a"
              href={`#${id}`}
              className="part"
              onClick={(event) => {
                event.preventDefault();
                const part = document.getElementById(id);
                part?.scrollIntoView();
                part?.focus({ preventScroll: true });
              }}
              sx={{
                display: 'flex',
                alignItems: 'center',
                minHeight: 48,
                px: 1.25,
                whiteSpace: 'nowrap',
                color: 'text.primary',
                fontWeight: 600,
                textDecoration: 'none',
                '&:hover': { textDecoration: 'underline' },
              }}
            >
              {name}
            </Box>
          </li>
        ))}
      </Box>
    </Box>
  );
}
