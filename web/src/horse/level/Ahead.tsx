import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { Figures } from '../../shell/Figures';
import { nameOf } from '../../data/levelsOfHorse';
import { horsePageQuery } from '../../data/horse';
import { verdictWords } from '../../base/words/answers';
import { howSure, pInWords } from '../../base/words/plain';
import { levelPath, type HorseLevel } from '../../data/level';

interface Props {
  judged: Schemas['JudgedLevel'];
  level: HorseLevel;
}

const trendWords: Record<Schemas['Direction'], string> = {
  improving: 'getting better',
  level: 'steady',
  slipping: 'slipping',
  too_few_days: 'too few days to say',
};

/** When, which way the days go, and what waits for this level. */
export function Ahead({ judged, level }: Props) {
  const { judgement, forecast_says } = judged;
  const page = useQuery(horsePageQuery(level.horseId, level.on));
  const { trends, opens, missing, without_exceptional } = judgement;
  const name = (one: Schemas['Level']) => nameOf(page.data?.levels ?? [], one);
  const links = (levels: Schemas['Level'][]) =>
    levels.map((one, index) => (
      <span key={`${one.skill} ${one.rung}`}>
        {index > 0 && '; '}
        <Box
          component={Link}
          to={levelPath({ ...level, skill: one.skill, rung: one.rung })}
          sx={{ color: 'text.primary' }}
        >
          {name(one)}
        </Box>
      </span>
    ));
  return (
    <Box sx={{ mt: 2 }}>
      <Typography variant="h3">Ahead</Typography>
      {judgement.verdict !== 'advance' && <Typography>{forecast_says}</Typography>}
      <Typography>
        Soft share over the last rides: {said(trends.soft_share)}.
        {trends.time && ` Time to give: ${said(trends.time)}.`}
      </Typography>
      {trends.soft_share.p != null && (
        <Figures>
          Day by day, Kendall&apos;s rank test: soft share {pInWords(trends.soft_share.p)}
          {trends.time?.p != null && `, time to give ${pInWords(trends.time.p)}`}.
        </Figures>
      )}
      {without_exceptional && (
        <Typography>
          Leaving out the unusual rides: {verdictWords[without_exceptional].toLowerCase()}.
        </Typography>
      )}
      {missing.length > 0 && <Typography>Needs first: {links(missing)}.</Typography>}
      {opens.length > 0 && <Typography>Opens: {links(opens)}.</Typography>}
    </Box>
  );
}

const said = ({ direction, p }: Schemas['Trend']) =>
  direction === 'too_few_days' || direction === 'level' || p == null
    ? trendWords[direction]
    : `${trendWords[direction]}, ${howSure(p)}`;
