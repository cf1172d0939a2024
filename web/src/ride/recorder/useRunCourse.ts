import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../../base/api/client';
import { cloverleafInput } from '../../ground/barrelDraft';
import { coursesQuery } from '../../data/ground';
import { useLive } from '../../base/core/useLive';

interface Said {
  courseId: string;
  footing: Schemas['Footing'] | '';
}

/** The course a run is ridden on, with its pockets and the length of its way; kept from run to run. */
export function useRunCourse(of: string) {
  const key = `cavesson.run-course.${of}`;
  const [said, set] = useState<Said>(() => read(key));
  const keep = (next: Said) => {
    localStorage.setItem(key, JSON.stringify(next));
    set(next);
  };
  const { data = [] } = useQuery(coursesQuery);
  const all = data.filter(
    ({ plan, put_away_at }) => plan.kind === 'barrels' && put_away_at == null,
  );
  const picked = all.find(({ course_id }) => course_id === said.courseId);
  const plan = picked?.plan.kind === 'barrels' ? picked.plan : undefined;
  const way = useLive('cloverleaf', plan ? cloverleafInput(plan, null) : null);
  return {
    course: plan && {
      courseId: picked!.course_id,
      pockets: plan.pockets,
      pathFt: way.output?.length_ft,
    },
    courses: all.map(({ course_id, name }): [string, string] => [course_id, name]),
    pick: (courseId: string) => keep({ ...said, courseId }),
    footing: said.footing,
    pickFooting: (footing: Said['footing']) => keep({ ...said, footing }),
  };
}

function read(key: string): Said {
  const kept = localStorage.getItem(key);
  return kept ? (JSON.parse(kept) as Said) : { courseId: '', footing: '' };
}
