'use client';

import { usePathname } from 'next/navigation';
import { useEffect } from 'react';
import { useSelection } from '../bench/hooks.ts';
import { STEPS } from './steps.ts';

/**
 * What the page is called, by its step and set-up: the window too, since many are open at once.
 * @returns The heading of the page: `Plan, Furnace mouth`.
 */
export const useTitle = (): string => {
  const path = usePathname();
  const { setup, shoot } = useSelection();
  const step = STEPS.find((one) => one.path === path)?.name;
  useEffect(() => {
    document.title = [step, setup.name, shoot.name, 'Candelum'].filter(Boolean).join(' · ');
  }, [step, setup.name, shoot.name]);
  return [step, setup.name].filter(Boolean).join(', ');
};
