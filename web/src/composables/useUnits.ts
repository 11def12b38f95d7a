import { halvesSaid, monthsOf, speakerFor, spoken, type Saying } from '@fernbank/core';
import convert from 'convert';
import { computed } from 'vue';
import { useSettings } from '../stores/settings.ts';

const formatters = new Map<number, Intl.NumberFormat>();
/** Made once for each count of digits: making one costs more than all that a page formats. */
function formatterOf(digits: number): Intl.NumberFormat {
  let formatter = formatters.get(digits);
  if (!formatter) {
    formatter = new Intl.NumberFormat(undefined, { maximumFractionDigits: digits });
    formatters.set(digits, formatter);
  }
  return formatter;
}

const dayWriter = new Intl.DateTimeFormat(undefined, {
  day: 'numeric',
  month: 'short',
  timeZone: 'UTC',
});

const day = (date: string) => dayWriter.format(new Date(`${date}T00:00:00Z`));

/** What a field of a quantity measures; kept in cm, L, kg, °C. */
export type Measure = 'length' | 'volume' | 'weight' | 'temperature';
interface InField {
  unit: string;
  /** as the field shows it */
  from: (metric: number) => number;
  to: (typed: number) => number;
}
const rounded = (value: number, digits: number) => Number(value.toFixed(digits));
const asTyped = (unit: string, digits: number): InField => ({
  unit,
  from: (metric) => rounded(metric, digits),
  to: (typed) => typed,
});
const FIELDS: Record<'metric' | 'us', Record<Measure, InField>> = {
  metric: {
    length: asTyped('cm', 2),
    volume: asTyped('L', 3),
    weight: asTyped('kg', 3),
    temperature: asTyped('°C', 1),
  },
  us: {
    length: {
      unit: 'in',
      from: (cm) => rounded(convert(cm, 'cm').to('in'), 2),
      to: (inches) => convert(inches, 'in').to('cm'),
    },
    volume: {
      unit: 'qt',
      from: (litres) => rounded(convert(litres, 'liters').to('quarts'), 3),
      to: (quarts) => convert(quarts, 'quarts').to('liters'),
    },
    weight: {
      unit: 'lb',
      from: (kg) => rounded(convert(kg, 'kg').to('lb'), 3),
      to: (pounds) => convert(pounds, 'lb').to('kg'),
    },
    temperature: {
      unit: '°F',
      from: (celsius) => rounded(convert(celsius, 'celsius').to('fahrenheit'), 1),
      // Through kelvins a few digits are lost.
      to: (fahrenheit) => rounded(convert(fahrenheit, 'fahrenheit').to('celsius'), 6),
    },
  },
};

/** Numbers with their units, in the keeper's own system. The core knows metric only. */
export function useUnits() {
  const settings = useSettings();
  const us = computed(() => settings.current.units === 'us');
  const format = (value: number, digits: number) => formatterOf(digits).format(value);

  const money = (value: number) =>
    `${settings.current.currency} ${value.toLocaleString(undefined, { minimumFractionDigits: 2, maximumFractionDigits: 2 })}`.trim();

  const measures = computed(() => FIELDS[us.value ? 'us' : 'metric']);
  const by = computed(() => speakerFor(us.value ? 'us' : 'metric', format, day));

  return {
    us,
    lengthUnit: computed(() => measures.value.length.unit),
    volumeUnit: computed(() => measures.value.volume.unit),
    /** what is typed and shown in fields */
    measures,
    /** cm for people */
    length: (cm: number) => by.value.cm(cm),
    /** litres for people: cups and quarts for US keepers */
    volume: (litres: number) => by.value.litres(litres),
    /** litres that stand beside each other, all in the unit of the largest: "1.5 L (0.7 L–2 L)" */
    volumeBeside: (largest: number) =>
      largest < 1
        ? by.value.litres
        : (litres: number) =>
            us.value
              ? `${format(convert(litres, 'liters').to('quarts'), 1)} qt`
              : `${format(litres, 1)} L`,
    weight: (kg: number) => by.value.kg(kg),
    /** a sentence of the core, its quantities as the keeper reads them */
    said: (saying: Saying) => spoken(saying, by.value),
    temperature: (celsius: number) => by.value.celsius(celsius),
    /** kg/L for people */
    density: (kgPerL: number) =>
      us.value
        ? `${format(convert(kgPerL, 'kg').to('lb') / convert(1, 'liters').to('quarts'), 2)} lb/qt`
        : `${format(kgPerL, 2)} kg/L`,
    money,
    /** price of a litre for people */
    pricePerVolume: (perLitre: number) =>
      us.value
        ? `${money(perLitre / convert(1, 'liters').to('quarts'))}/qt`
        : `${money(perLitre)}/L`,
    percent: (share: number) => Math.round(share * 100),
    /** half months below three: nobody knows them closer */
    months: (count: number | null) => (count === null ? null : halvesSaid(monthsOf(count))),
    number: format,
  };
}
