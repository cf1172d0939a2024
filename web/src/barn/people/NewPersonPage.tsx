import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { FormFrame } from '../../base/form/FormFrame';
import { fieldsOf, saidOfAll } from '../../base/form/problems';
import { PageFrame } from '../../shell/PageFrame';
import { ComeInLink } from './ComeInLink';
import { PersonFields, type PersonDraft } from './PersonFields';
import { useAddPerson } from '../../data/people';

const nobody: PersonDraft = {
  name: '',
  sign_in: '',
  role: 'rider',
  clearance: {
    only_horses: null,
    rigs: ['halter', 'snaffle', 'bosal'],
    cattle: false,
    first_rides: false,
  },
  hours: [],
  home_by: null,
};

/** Somebody new: three answers, and the link to hand them. */
export function NewPersonPage() {
  const navigate = useNavigate();
  const add = useAddPerson();
  const [draft, setDraft] = useState(nobody);
  const { name, sign_in, role } = draft;
  return (
    <PageFrame title="Add somebody">
      <Typography variant="h1">Add somebody</Typography>
      {add.data ? (
        <>
          <ComeInLink link={add.data.link} name={name.trim()} />
          <Button component={Link} to={`/people/${add.data.person_id}`} sx={{ mr: 1.5 }}>
            {role === 'rider' ? 'What they may ride, their hours' : 'Their hours'}
          </Button>
          <Button component={Link} to="/people">
            Done
          </Button>
        </>
      ) : (
        <FormFrame
          label="Add somebody"
          save="Add"
          saving={add.isPending}
          onSave={() => add.mutate({ name, sign_in, role, hours: [] })}
          onCancel={() => void navigate('/people')}
          wrong={saidOfAll(add.error, ['/name', '/sign_in', '/role'])}
        >
          <PersonFields draft={draft} onDraft={setDraft} wrong={fieldsOf(add.error)} fresh />
        </FormFrame>
      )}
    </PageFrame>
  );
}
