import { figure } from '../../ui/format';

interface Settings {
  cup: string;
  tablespoon: string;
  serving_g: number;
}

const WHOSE: Record<string, string> = {
  us: 'US',
  metric: 'metric',
  imperial: 'Imperial',
  australian: 'Australian'
};

/** The amounts that numbers can be for, as they are named in a sentence: a cup means nothing without whose. */
export function bases(settings: Settings | null): { name: string; label: string }[] {
  const cup = WHOSE[settings?.cup ?? 'metric'];
  return [
    { name: '100g', label: '100 g' },
    { name: 'quarter-cup', label: `¼ ${cup} cup` },
    { name: 'cup', label: `a ${cup} cup` },
    { name: 'tablespoon', label: `a ${WHOSE[settings?.tablespoon ?? 'metric']} tablespoon` },
    { name: 'serving', label: `${figure(settings?.serving_g, 0)} g, your serving` }
  ];
}
