import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import type { Output } from '../base/core/core';
import { plainTable } from '../shell/plainTable';
import { ladderQuery } from '../data/ladder';
import { measureNames } from '../base/words/measures';

interface Props {
  asks: Output<'drill'>['asks'];
  watch: string[];
  gait: string;
}

/** The asks to expect of all rounds, the face each is recorded with, and faults to watch for. */
export function DrillAsks({ asks, watch, gait }: Props) {
  const { data: ladder } = useQuery(ladderQuery);
  const named = (skill: string) => {
    const of = (ladder?.levels ?? []).filter(({ level }) => level.skill === skill);
    return (of.find(({ level }) => level.rung === gait) ?? of[0])?.level;
  };
  return (
    <>
      <Box component="table" sx={{ ...plainTable, mt: 1, width: '100%' }}>
        <caption style={{ textAlign: 'left', fontWeight: 700 }}>Asks to expect</caption>
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col">Left</th>
            <th scope="col">Right</th>
            <th scope="col">Record it with</th>
          </tr>
        </thead>
        <tbody>
          {asks.map(({ skill, left, right }) => {
            const level = named(skill);
            return (
              <tr key={skill}>
                <th scope="row">{level?.name ?? skill}</th>
                <td>{left}</td>
                <td>{right}</td>
                <td>{level ? measureNames[level.measure] : ''}</td>
              </tr>
            );
          })}
        </tbody>
      </Box>
      <Typography sx={{ mt: 1.5, fontWeight: 700 }}>Watch for</Typography>
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {watch.map((id) => (
          <li key={id}>{ladder?.faults.find((fault) => fault.id === id)?.name ?? id}</li>
        ))}
      </Box>
    </>
  );
}
