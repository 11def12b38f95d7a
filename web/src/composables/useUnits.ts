import convert from 'convert';
import { computed } from 'vue';
import { useSettings } from '../stores/settings.ts';

const LITRES_PER_QUART_SWITCH = 0.95;

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

const ISO_DAY = /\b\d{4}-\d{2}-\d{2}\b/g;
const dayWriter = new Intl.DateTimeFormat(undefined, {
  day: 'numeric',
  month: 'short',
  timeZone: 'UTC',
});

/** Numbers with their units, in the keeper's own system. The core knows metric only. */
export function useUnits() {
  const settings = useSettings();
  const us = computed(() => settings.current.units === 'us');
  const format = (value: number, digits: number) => formatterOf(digits).format(value);

  const cups = (count: number) =>
    `${format(count, 1)} ${format(count, 1) === '1' ? 'cup' : 'cups'}`;

  const money = (value: number) =>
    `${settings.current.currency} ${value.toLocaleString(undefined, { minimumFractionDigits: 2, maximumFractionDigits: 2 })}`.trim();

  const length = (cm: number) =>
    us.value ? `${format(convert(cm, 'cm').to('in'), 1)} in` : `${format(cm, cm < 20 ? 1 : 0)} cm`;
  /** litres for people: cups and quarts for US keepers */
  const volume = (litres: number) => {
    if (!us.value) {
      return litres < 1 ? `${format(litres * 1000, 0)} mL` : `${format(litres, 2)} L`;
    }
    return litres < LITRES_PER_QUART_SWITCH
      ? cups(convert(litres, 'liters').to('cups'))
      : `${format(convert(litres, 'liters').to('quarts'), 1)} qt`;
  };
  const weight = (kg: number) => {
    if (us.value) return `${format(convert(kg, 'kg').to('lb'), 1)} lb`;
    return kg < 1 ? `${format(kg * 1000, 0)} g` : `${format(kg, 2)} kg`;
  };
  const inUnit: Record<string, (value: number) => string> = {
    cm: length,
    L: volume,
    mL: (value) => volume(value / 1000),
    kg: weight,
  };

  return {
    us,
    lengthUnit: computed(() => (us.value ? 'in' : 'cm')),
    weightUnit: computed(() => (us.value ? 'lb' : 'kg')),
    /** cm for people */
    length,
    volume,
    weight,
    /** a sentence of the core, which knows metric and ISO days only, as the keeper reads it */
    said: (sentence: string) => {
      const dated = sentence.replace(ISO_DAY, (iso) =>
        dayWriter.format(new Date(`${iso}T00:00:00Z`)),
      );
      return us.value
        ? dated.replace(/(\d+(?:\.\d+)?) (cm|mL|L|kg)\b/g, (_, value: string, unit: string) =>
            inUnit[unit]!(Number(value)),
          )
        : dated;
    },
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
    temperature: (celsius: number) =>
      us.value
        ? `${format(convert(celsius, 'celsius').to('fahrenheit'), 0)} °F`
        : `${format(celsius, 0)} °C`,
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
