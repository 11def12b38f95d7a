import { speakerFor, spoken, type Saying } from '@fernbank/core';
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

/** Numbers with their units, in the keeper's own system. The core knows metric only. */
export function useUnits() {
  const settings = useSettings();
  const us = computed(() => settings.current.units === 'us');
  const format = (value: number, digits: number) => formatterOf(digits).format(value);

  const money = (value: number) =>
    `${settings.current.currency} ${value.toLocaleString(undefined, { minimumFractionDigits: 2, maximumFractionDigits: 2 })}`.trim();

  const by = computed(() => speakerFor(us.value ? 'us' : 'metric', format, day));

  return {
    us,
    lengthUnit: computed(() => (us.value ? 'in' : 'cm')),
    weightUnit: computed(() => (us.value ? 'lb' : 'kg')),
    /** cm for people */
    length: (cm: number) => by.value.cm(cm),
    /** litres for people: cups and quarts for US keepers */
    volume: (litres: number) => by.value.litres(litres),
    weight: (kg: number) => by.value.kg(kg),
    /** a sentence of the core, its quantities as the keeper reads them */
    said: (saying: Saying) => spoken(saying, by.value),
    /** a typed length in cm */
    lengthToCm: (typed: number) => (us.value ? convert(typed, 'in').to('cm') : typed),
    lengthFromCm: (cm: number) =>
      Math.round((us.value ? convert(cm, 'cm').to('in') : cm) * 100) / 100,
    volumeUnit: computed(() => (us.value ? 'qt' : 'L')),
    volumeToL: (typed: number) => (us.value ? convert(typed, 'quarts').to('liters') : typed),
    volumeFromL: (litres: number) =>
      Math.round((us.value ? convert(litres, 'liters').to('quarts') : litres) * 1000) / 1000,
    weightToKg: (typed: number) => (us.value ? convert(typed, 'lb').to('kg') : typed),
    weightFromKg: (kg: number) =>
      Math.round((us.value ? convert(kg, 'kg').to('lb') : kg) * 1000) / 1000,
    temperatureUnit: computed(() => (us.value ? '°F' : '°C')),
    temperatureToC: (typed: number) =>
      us.value ? convert(typed, 'fahrenheit').to('celsius') : typed,
    temperatureFromC: (celsius: number) =>
      Math.round(us.value ? convert(celsius, 'celsius').to('fahrenheit') : celsius),
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
    months: (count: number | null) => (count === null ? null : format(count, count < 10 ? 1 : 0)),
    number: format,
  };
}
