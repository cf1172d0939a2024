import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { QueryState } from '../../shell/QueryState';
import { BarnLinks } from '../../shell/BarnLinks';
import { NoHorses } from '../../shell/NoHorses';
import { PageFrame } from '../../shell/PageFrame';
import { horsePath } from '../../data/horse';
import { levelPath } from '../../data/level';
import { BoardTable } from './BoardTable';
import { newsOf, type News } from './news';
import { boardQuery } from '../../data/board';

/** All horses on all tracks at a glance. */
export function BoardPage() {
  const board = useQuery(boardQuery);
  return (
    <PageFrame title="Barn">
      <BarnLinks />
      <QueryState query={board}>{(data) => <Board board={data} />}</QueryState>
    </PageFrame>
  );
}

function Board({ board }: { board: Schemas['Board'] }) {
  const news = newsOf(board.horses);
  if (board.horses.length === 0)
    return (
      <>
        <Typography variant="h1">The barn</Typography>
        <NoHorses />
      </>
    );
  return (
    <>
      <Typography variant="h1">The barn</Typography>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: {
            xs: 'minmax(0, 1fr)',
            sm: '1fr 1fr',
            lg: 'repeat(4, minmax(0, 1fr))',
          },
          columnGap: 4,
          rowGap: 2,
          my: 2,
        }}
      >
        <NewsList title="Ready to move up" news={news.ready} none="Nobody this week." />
        <NewsList
          title="Stuck"
          news={news.stuck}
          none="Nobody is on one level for over four weeks."
        />
        <NewsList
          title="Stiff side not worked"
          news={news.notWorked}
          none="Every stiff side had its share this week."
        />
        <NewsList title="Rusty" news={news.rusty} none="Nothing's rusty." />
      </Box>
      <BoardTable board={board} />
    </>
  );
}

/** More than this hide what matters; the rest is one tap away. */
const shownAtFirst = 4;

function NewsList({ title, news, none }: { title: string; news: News[]; none: string }) {
  const [all, setAll] = useState(false);
  const shown = all ? news : news.slice(0, shownAtFirst);
  return (
    <Box
      component="section"
      aria-label={title}
      sx={{ borderTop: '5px solid', borderColor: 'text.primary', pt: 1 }}
    >
      <Typography variant="h2" sx={{ fontSize: '1.2rem' }}>
        {title}
      </Typography>
      {news.length === 0 && <Typography sx={{ color: 'text.secondary' }}>{none}</Typography>}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {shown.map(({ horse, level, text }) => (
          <Box component="li" key={`${horse.horse_id} ${text}`}>
            <Box
              component={Link}
              to={
                level ? levelPath({ horseId: horse.horse_id, ...level }) : horsePath(horse.horse_id)
              }
              sx={{
                display: 'block',
                py: 0.5,
                color: 'text.primary',
                textDecoration: 'none',
                '&:hover': { textDecoration: 'underline' },
              }}
            >
              <strong>{horse.name}</strong>: {text}
            </Box>
          </Box>
        ))}
      </Box>
      {shown.length < news.length && (
        <Button size="small" variant="text" onClick={() => setAll(true)}>
          {news.length - shown.length} more
        </Button>
      )}
    </Box>
  );
}
