import type { Schemas } from '../../base/api/client';
import { LinkToHand } from '../../shell/LinkToHand';
import { useWho } from '../../data/who';
import { dayAndClockIn } from '../../base/words/days';

/** The link by which somebody comes in, or sets a new password. */
export function ComeInLink({ link, name }: { link: Schemas['MadeLink']; name: string }) {
  const { time_zone } = useWho();
  return (
    <LinkToHand address={`${location.origin}/come-in#${link.word}`} name={name}>
      It works once, until {dayAndClockIn(time_zone, link.expires_at)}.
    </LinkToHand>
  );
}
