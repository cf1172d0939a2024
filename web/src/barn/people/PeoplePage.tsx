import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { QueryState } from '../../shell/QueryState';
import { BarnLinks } from '../../shell/BarnLinks';
import { PageFrame } from '../../shell/PageFrame';
import { useWho } from '../../data/who';
import { roleMeans, roleWords } from '../../base/words/people';
import { clearanceInWords, hoursInWords } from './inWords';
import { peopleQuery, type PersonOfBarn } from '../../data/people';

/** Who works here, and who can come in. */
export function PeoplePage() {
  const people = useQuery(peopleQuery);
  const { decides } = useWho();
  return (
    <PageFrame title="People">
      <BarnLinks />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center' }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          People
        </Typography>
        {decides && (
          <Button component={Link} to="/people/new" variant="contained" sx={{ minHeight: 56 }}>
            Add somebody
          </Button>
        )}
      </Box>
      <QueryState query={people}>{(data) => <People people={data} />}</QueryState>
    </PageFrame>
  );
}

function People({ people }: { people: PersonOfBarn[] }) {
  const here = people.filter(({ left_at }) => !left_at);
  const left = people.filter(({ left_at }) => left_at);
  return (
    <>
      <PersonList people={here} label="Here" heading="h2" />
      {here.length === 1 && (
        <Typography sx={{ mt: 2, maxWidth: 560 }}>
          You are on your own so far. Add your riders and helpers; each gets a link and sets their
          own password.
        </Typography>
      )}
      {left.length > 0 && (
        <>
          <Typography variant="h2" sx={{ mt: 4 }}>
            Left
          </Typography>
          <PersonList people={left} label="Left" heading="h3" />
        </>
      )}
    </>
  );
}

interface ListProps {
  people: PersonOfBarn[];
  label: string;
  /** The level of their names below the page's headings. */
  heading: 'h2' | 'h3';
}

function PersonList({ people, label, heading }: ListProps) {
  const { decides } = useWho();
  return (
    <Box
      component="ul"
      aria-label={label}
      sx={{ listStyle: 'none', m: 0, mt: 1, p: 0, maxWidth: 820 }}
    >
      {people.map((person) => (
        <Box
          component="li"
          key={person.person_id}
          sx={{
            display: 'flex',
            flexWrap: 'wrap',
            columnGap: 3,
            py: 1.25,
            alignItems: 'center',
            borderTop: '1px solid',
            borderColor: 'divider',
          }}
        >
          <Box sx={{ flex: '1 1 240px' }}>
            <Typography variant="h3" component={heading}>
              {person.name}
            </Typography>
            <Typography variant="body2" sx={{ color: 'text.secondary' }}>
              {roleWords[person.role]}. {roleMeans[person.role]}.
            </Typography>
          </Box>
          <Box sx={{ flex: '1 1 260px' }}>
            {person.role === 'rider' && (
              <Typography variant="body2">{clearanceInWords(person.clearance)}</Typography>
            )}
            {person.role !== 'owner' && (
              <Typography variant="body2">{hoursInWords(person.hours)}</Typography>
            )}
            {!person.has_password && !person.left_at && (
              <Typography variant="body2" sx={{ fontWeight: 700 }}>
                {person.link_until ? 'Invited, not in yet' : "No link that works; can't come in"}
              </Typography>
            )}
          </Box>
          {decides && (
            <Button
              component={Link}
              to={`/people/${person.person_id}`}
              aria-label={`Change ${person.name}`}
              sx={{ ml: 'auto' }}
            >
              Change
            </Button>
          )}
        </Box>
      ))}
    </Box>
  );
}
