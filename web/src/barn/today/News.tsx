import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { horsePath } from '../../data/horse';
import { levelPath } from '../../data/level';
import { longDay } from '../../base/words/days';
import { newsQuery, useSeeNews } from '../../data/news';

/** What was lost and why, once, calmly: gone for good when somebody has seen it. */
export function News() {
  const news = useQuery(newsQuery);
  const see = useSeeNews();
  const shown = news.data ?? [];
  if (shown.length === 0) return null;
  return (
    <Box component="section" aria-label="What changed" sx={{ mb: 3, maxWidth: 760 }}>
      <Typography variant="h2">What changed</Typography>
      {shown.map(({ news_id, horse_id, horse, day, level, text }) => (
        <Box key={news_id} sx={{ display: 'flex', gap: 1.5, alignItems: 'center', py: 0.75 }}>
          <Typography sx={{ flex: 1 }}>
            <Box
              component={Link}
              to={level ? levelPath({ horseId: horse_id, ...level }) : horsePath(horse_id)}
              sx={{ color: 'text.primary', fontWeight: 700 }}
            >
              {horse}
            </Box>
            , {longDay(day)}. {text}
          </Typography>
          <Button disabled={see.isPending} onClick={() => see.mutate(news_id)}>
            Seen
          </Button>
        </Box>
      ))}
      {see.isError && <Typography role="alert">{see.error.message}</Typography>}
    </Box>
  );
}
