import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { saidOfAll } from '../../base/form/problems';
import { QueryState } from '../../shell/QueryState';
import { PageFrame } from '../../shell/PageFrame';
import { useWho } from '../../data/who';
import { dayAfter, dayIn, shortDay } from '../../base/words/days';
import { draftOf, isSame, ridesOf, sent, type Draft } from './draft';
import { Differences } from './Differences';
import { LeftOut } from './LeftOut';
import { Planning, usePlanning } from './Planning';
import {
  useTakeWeek,
  weekQuery,
  type Instance,
  type PlanFound,
  type PlannedRide,
  type WeekShown,
} from '../../data/week';
import { RiderDays } from './RiderDays';
import { RideSheet } from './RideSheet';
import { Ropes } from './Ropes';
import { useWeekRules } from './useWeekRules';

const notPrinted = { '@media print': { display: 'none' } };

/** The week to plan: every horse's rides from day to day, looked for or moved by hand. */
export function WeekPage() {
  const { time_zone } = useWho();
  const today = dayIn(time_zone);
  const { day = today } = useParams();
  const shown = useQuery(weekQuery(day));
  const monday = shown.data?.monday ?? day;
  return (
    <PageFrame title="The week">
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
        <Typography variant="h1" sx={{ flex: { xs: '1 1 100%', sm: '1 1 auto' } }}>
          Week of {shortDay(monday)}
        </Typography>
        {monday > today && (
          <Button component={Link} to={`/week/${dayAfter(monday, -7)}`} sx={notPrinted}>
            Week before
          </Button>
        )}
        <Button component={Link} to={`/week/${dayAfter(monday, 7)}`} sx={notPrinted}>
          Week after
        </Button>
        <Button
          onClick={() => window.print()}
          sx={{ display: { xs: 'none', sm: 'inline-flex' }, '@media print': { display: 'none' } }}
        >
          Print
        </Button>
      </Box>
      <QueryState query={shown}>
        {(data) => <Arranged key={day} day={day} week={data} />}
      </QueryState>
    </PageFrame>
  );
}

/** A plan that is being changed: what its works are counted in, and what stood then. */
interface Changed {
  instance: Instance;
  stands: Draft;
  draft: Draft;
  found?: PlanFound;
}

function Arranged({ day, week }: { day: string; week: WeekShown }) {
  const { decides } = useWho();
  // What is changed by hand stays, whatever is booked elsewhere meanwhile.
  const [changes, setChanges] = useState<Changed>();
  const now = draftOf(week);
  const { instance, stands, draft, found } = changes ?? {
    instance: week.instance,
    stands: now,
    draft: now,
  };
  const [picked, setPicked] = useState<number>();
  const take = useTakeWeek(day);
  const rules = useWeekRules(instance, ridesOf(draft), ridesOf(stands)) ?? week.rules;
  const setDraft = (next: Draft, of = instance) =>
    setChanges({ instance: of, stands: of === instance ? stands : now, draft: next });
  const begun = week.stood.filter((one) => one.begun).map(({ ride }) => ride);
  const onFound = (plan: PlanFound) => {
    const isIn = (rides: PlannedRide[], ride: PlannedRide) =>
      rides.some((one) => isSame([{ ride: one }], [{ ride }]));
    const pins = (plan.instance.pins ?? []).filter((pin) => !isIn(begun, pin));
    setChanges({
      instance: plan.instance,
      stands: now,
      draft: plan.plan.map((ride) => ({ ride, pinned: isIn(pins, ride) })),
      found: plan,
    });
  };
  const planning = usePlanning(day, onFound);
  const changed = !isSame(draft, stands);
  const plan = (anew: boolean) => planning.begin({ plan: sent(instance, draft), anew, seconds: 5 });
  return (
    <>
      {decides && (
        <Box
          sx={{
            display: 'flex',
            flexWrap: 'wrap',
            gap: 1,
            my: 1.5,
            '@media print': { display: 'none' },
          }}
        >
          <Button
            variant={changed ? 'outlined' : 'contained'}
            disabled={planning.running}
            onClick={() => plan(stands.length === 0)}
            sx={{ minHeight: 56 }}
          >
            {stands.length === 0 ? 'Plan the week' : 'Plan what is left'}
          </Button>
          {stands.length > 0 && (
            <Button disabled={planning.running} onClick={() => plan(true)} sx={{ minHeight: 56 }}>
              Plan it all anew
            </Button>
          )}
          {week.last_week.length > 0 && (
            <Button
              onClick={() => setDraft(withLastWeek(draft, week), week.instance)}
              sx={{ minHeight: 56 }}
            >
              Copy last week
            </Button>
          )}
          {changed && (
            <>
              <Button
                variant="contained"
                disabled={take.isPending}
                onClick={() =>
                  take.mutate(
                    { rides: sent(instance, draft) },
                    { onSuccess: () => setChanges(undefined) },
                  )
                }
                sx={{ minHeight: 56 }}
              >
                Take this plan
              </Button>
              <Button onClick={() => setChanges(undefined)} sx={{ minHeight: 56 }}>
                Back to what stands
              </Button>
            </>
          )}
        </Box>
      )}
      <Planning planning={planning} />
      {changed && !isSame(stands, now) && (
        <Typography role="status" sx={{ my: 1 }}>
          The plan that stands was changed meanwhile. Taking this one puts yours in its place.
        </Typography>
      )}
      {take.isError && (
        <Typography role="alert" sx={{ color: 'error.main' }}>
          {saidOfAll(take.error, [])}
        </Typography>
      )}
      {found && changed && (
        <Typography sx={{ '@media print': { display: 'none' } }}>
          Found in {found.seconds.toFixed(1)} s{found.stopped ? ', stopped' : ''}; the best there is
          can be at most {(100 * found.gap).toFixed(1)}% better.
        </Typography>
      )}
      <Ropes
        instance={instance}
        draft={draft}
        stands={ridesOf(stands)}
        begun={begun}
        rules={rules}
        arranges={decides}
        onChange={setDraft}
        onPick={setPicked}
      />
      <RiderDays instance={instance} draft={draft} />
      {changed && <Differences instance={instance} rules={rules} />}
      <LeftOut rules={rules} />
      {picked !== undefined && draft[picked] && (
        <RideSheet
          key={picked}
          instance={instance}
          draft={draft}
          index={picked}
          arranges={
            decides &&
            !begun.some((one) => isSame([{ ride: one }], [{ ride: draft[picked]!.ride }]))
          }
          onChange={setDraft}
          onClose={() => setPicked(undefined)}
        />
      )}
    </>
  );
}

/** Last week's rides in place of this week's, but for what is pinned or has begun. */
function withLastWeek(draft: Draft, week: WeekShown): Draft {
  const stays = draft.filter(
    (one) =>
      one.pinned ||
      week.stood.some(({ ride, begun }) => begun && isSame([{ ride }], [{ ride: one.ride }])),
  );
  const taken = (ride: Draft[number]['ride']) =>
    stays.some((one) => one.ride.horse_id === ride.horse_id && one.ride.day === ride.day);
  const open = week.instance.days.map(({ not_before_min = 0 }) => not_before_min);
  return [
    ...stays,
    ...week.last_week
      .filter((ride) => !taken(ride) && ride.from_min >= (open[ride.day] ?? 0))
      .map((ride) => ({ ride, pinned: false })),
  ];
}
