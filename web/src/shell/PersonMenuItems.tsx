import Divider from '@mui/material/Divider';
import ListSubheader from '@mui/material/ListSubheader';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { Link } from 'react-router';
import { useWho } from '../data/who';
import { useLight } from '../base/theme/light';
import type { Light } from '../base/theme/theme';
import { chooseHours24, useHours24 } from '../base/words/clockSetting';

const lights: [Light, string][] = [
  ['day', 'Day'],
  ['evening', 'Evening, dark'],
  ['sun', 'Sun, highest contrast'],
];

interface Props {
  anchor: HTMLElement;
  onClose: () => void;
  onLeave: () => void;
}

/** How bright the screen is, how times are shown, signing out. */
export function PersonMenuItems({ anchor, onClose, onLeave }: Props) {
  const who = useWho();
  const { light, choose } = useLight();
  const is24 = useHours24();
  return (
    <Menu anchorEl={anchor} open onClose={onClose}>
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
            onClose();
          }}
        >
          {label}
        </MenuItem>
      ))}
      <Divider />
      <MenuItem
        role="menuitemcheckbox"
        aria-checked={is24}
        selected={is24}
        onClick={() => {
          chooseHours24(!is24);
          onClose();
        }}
      >
        24-hour clock
      </MenuItem>
      <MenuItem component={Link} to="/how-it-judges" onClick={onClose}>
        How it judges
      </MenuItem>
      <MenuItem component={Link} to="/settings" onClick={onClose}>
        Settings
      </MenuItem>
      <MenuItem onClick={onLeave}>Sign out</MenuItem>
    </Menu>
  );
}
