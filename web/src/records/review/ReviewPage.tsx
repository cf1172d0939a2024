import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import { FormSelect } from '../../base/form/FormSelect';
import { QueryState } from '../../shell/QueryState';
import { FigureBand } from '../../shell/FigureBand';
import { PageFrame } from '../../shell/PageFrame';
import { Section } from '../../shell/Section';
import { BackLinks } from '../../horse/outcomes/BackLinks';
import { DecisionList } from '../../horse/outcomes/DecisionList';
import { monthsUntil } from '../../owner/months';
import { useWho } from '../../data/who';
import { dayIn, shortDay } from '../../base/words/days';
import { hoursWords } from '../../base/words/hours';
import { Hours } from './Hours';
import { HorsesTable } from './HorsesTable';
import { InvoiceForm } from './InvoiceForm';
import { reviewQuery, type Review } from '../../data/review';

/** A month over the barn: what was planned and done, gained and lost, where the hours went. */
export function ReviewPage() {
  const { time_zone } = useWho();
  const [search, setSearch] = useSearchParams();
  const months = monthsUntil(dayIn(time_zone), 13);
  const month = search.get('month') ?? months[0]![0];
  const review = useQuery(reviewQuery(month));
  return (
    <PageFrame title="The month">
      <BackLinks />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', mb: 1 }}>
        <Typography variant="h1" sx={{ flex: '1 1 200px' }}>
          The month
        </Typography>
        <Box sx={{ width: 220 }}>
          <FormSelect
            label="Month"
            value={month}
            of={months}
            onPick={(next) => setSearch({ month: next }, { replace: true })}
          />
        </Box>
        <Button onClick={() => window.print()} sx={{ '@media print': { display: 'none' } }}>
          Print
        </Button>
      </Box>
      <QueryState query={review}>
        {(data) => <Told key={data.from} review={data} month={month} />}
      </QueryState>
    </PageFrame>
  );
}

function Told({ review, month }: { review: Review; month: string }) {
  if (review.horses.length === 0)
    return <Typography>No horse was here in {review.month}.</Typography>;
  return (
    <>
      <Totals review={review} />
      <Section title="Horse by horse">
        <HorsesTable review={review} />
      </Section>
      <Section
        title="Where the hours went"
        intro="Each ask has the time halfway to its neighbors. Rides that were left open are not in it."
      >
        <Hours horses={review.horses} />
      </Section>
      <Section title="Overrides of the month" intro="How they turned out by today.">
        {review.overrules.length === 0 ? (
          <Typography>None.</Typography>
        ) : (
          <DecisionList decisions={review.overrules} withHorse />
        )}
      </Section>
      <Section
        title="Invoice lines"
        intro="Days here and rides, horse by horse, as a sheet for whoever keeps your books. What is owed and taxed is between you, your clients and them."
      >
        <InvoiceForm month={month} />
      </Section>
    </>
  );
}

/** The whole barn in a line: what the eye meets first. */
function Totals({ review: { horses, from, to } }: { review: Review }) {
  const sum = (of: (horse: Review['horses'][number]) => number) =>
    horses.reduce((all, horse) => all + of(horse), 0);
  const quits = sum(({ quits: { taken } }) => taken);
  const chances = quits + sum(({ quits: { went_on } }) => went_on);
  const planned = sum((one) => one.planned.planned);
  const figures: [string, string][] = [
    ...(planned > 0
      ? ([[`${sum((one) => one.planned.done)} of ${planned}`, 'planned rides done']] as [
          string,
          string,
        ][])
      : []),
    [hoursWords(sum(({ ridden }) => ridden.minutes)), 'in the saddle'],
    [String(sum(({ moved }) => moved.gained.length)), 'levels gained'],
    [String(sum(({ moved }) => moved.went_back.length)), 'went back'],
    [`${quits} of ${chances}`, 'good places to quit taken'],
  ];
  return (
    <FigureBand figures={figures}>
      <Typography sx={{ width: '100%', color: 'text.secondary' }}>
        {shortDay(from)} to {shortDay(to)}.
      </Typography>
    </FigureBand>
  );
}
