import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import ListSubheader from '@mui/material/ListSubheader';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { useSignOut } from '../session/queries';
import { useWho } from '../session/who';
import { useLight } from '../theme/light';
import type { Light } from '../theme/theme';

const lights: [Light, string][] = [
  ['day', 'Day'],
  ['evening', 'Evening, dark'],
  ['sun', 'Sun, highest contrast'],
];

/** Who is signed in, how bright the screen is, signing out. */
export function PersonMenu() {
  const who = useWho();
  const signOut = useSignOut();
  const { light, choose } = useLight();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const close = () => setAnchor(null);
  const leave = () => {
    close();
    signOut.mutate();
  };
  return (
    <>
      <Button
        variant="text"
        aria-haspopup="menu"
        aria-expanded={anchor !== null}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        {who.name.split(' ')[0]}
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={close}>
        <ListSubheader sx={{ lineHeight: 2.4 }}>
          {who.name}, {who.role}
        </ListSubheader>
        <Divider />
        {lights.map(([value, label]) => (
          <MenuItem
            key={value}
            selected={light === value}
            role="menuitemradio"
            aria-checked={light === value}
            onClick={() => {
              choose(value);
              close();
            }}
          >
            {label}
          </MenuItem>
        ))}
        <Divider />
        <MenuItem onClick={leave}>Sign out</MenuItem>
        {signOut.isError && <MenuItem disabled>{signOut.error.message}</MenuItem>}
      </Menu>
    </>
  );
}
