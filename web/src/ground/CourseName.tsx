import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { memo, useState } from 'react';
import { useNavigate } from 'react-router';
import { FormText } from '../base/form/FormText';
import { fieldsOf, saidOfAll } from '../base/form/problems';
import { useWho } from '../data/who';
import { courseWords } from '../base/words/ground';
import { coursePath, usePutCourse, type Course, type CoursePlan } from '../data/ground';

interface Props {
  placeId: string;
  course?: Course;
  plan: CoursePlan;
  /** What a new one is called to begin with. */
  usual?: string;
}

/** What a course is called, and where it is saved. */
export const CourseName = memo(function CourseName({ placeId, course, plan, usual }: Props) {
  const { decides } = useWho();
  const [name, setName] = useState(course?.name ?? usual ?? courseWords[plan.kind]);
  const put = usePutCourse();
  const navigate = useNavigate();
  if (!decides)
    return (
      <Typography variant="h3" component="h2">
        {course?.name}
      </Typography>
    );
  const wrong = fieldsOf(put.error);
  const save = () =>
    put.mutate(
      { courseId: course?.course_id, placeId, name, plan },
      {
        onSuccess: (added) => {
          if (added) void navigate(coursePath(added.course_id), { replace: true });
        },
      },
    );
  const saved = put.isSuccess && !put.isPending;
  return (
    <Box
      component="form"
      aria-label="Course"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
      sx={{ display: 'grid', gap: 1 }}
    >
      <FormText
        label="Name of the course"
        becomes="CourseSheet/name"
        value={name}
        onText={setName}
        wrong={wrong['/name']}
        autoComplete="off"
      />
      <Button type="submit" variant="contained" disabled={put.isPending} sx={{ minHeight: 56 }}>
        {course ? 'Save changes' : 'Save the course'}
      </Button>
      <Box aria-live="polite">
        {saved && <Typography>Saved.</Typography>}
        {put.error && (
          <Typography role="alert" sx={{ color: 'error.main' }}>
            {saidOfAll(put.error, ['/name'])}
          </Typography>
        )}
      </Box>
    </Box>
  );
});
