import { Moon, Ruler, Sun } from 'lucide-react';
import { useDisplayUnits } from '../units/display-units.tsx';
import { useFlipTheme, useTheme } from './theme.tsx';

export function UnitsButton() {
  const { system, flip } = useDisplayUnits();
  return (
    <button className="quiet whitespace-nowrap" onClick={flip} title="Show results in the other units (u)">
      <Ruler size={15} className="mr-1 inline" aria-hidden />
      {system === 'metric' ? 'kPa, L/h' : 'psi, gal/h'}
      <span className="sr-only">: flip units</span>
    </button>
  );
}

export function ThemeButton() {
  const theme = useTheme();
  const flip = useFlipTheme();
  return (
    <button
      className="quiet"
      onClick={flip}
      aria-label={theme === 'day' ? 'Under-car theme' : 'Day theme'}
      title={theme === 'day' ? 'Under-car theme' : 'Day theme'}
    >
      {theme === 'day' ? <Moon size={16} aria-hidden /> : <Sun size={16} aria-hidden />}
    </button>
  );
}
