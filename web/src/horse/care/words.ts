import type { Schemas } from '../../base/api/client';
import { daysBetween, shortDay } from '../../base/words/days';

/** due tomorrow, due Jun 4, overdue since Jun 4. */
export function dueInWords({ kind, due, overdue }: Schemas['CareDue'], today: string): string {
  const ahead = daysBetween(today, due);
  if (kind === 'in_season') return ahead === 0 ? 'about now' : `about ${shortDay(due)}`;
  if (overdue) return `overdue since ${shortDay(due)}`;
  if (ahead === 0) return 'due today';
  if (ahead === 1) return 'due tomorrow';
  return `due ${shortDay(due)}`;
}
