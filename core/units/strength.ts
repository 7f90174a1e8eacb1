/** Volumes of one per cent of peroxide: 10 vol are 3%. */
const VOLUMES_PER_PERCENT = 10 / 3;

export const STRENGTH_UNITS = ['vol', '%'] as const;
/** In what the strength of a developer is said. */
export type StrengthUnit = (typeof STRENGTH_UNITS)[number];

export const percentOf = (volumes: number): number => volumes / VOLUMES_PER_PERCENT;
export const volumesOf = (percent: number): number => percent * VOLUMES_PER_PERCENT;

const tenth = (value: number) => String(Math.round(value * 10) / 10);

/** A strength as it is said: `20 vol`, `6%`. */
export const formatStrength = (volumes: number, unit: StrengthUnit = 'vol'): string =>
  unit === '%' ? `${tenth(percentOf(volumes))}%` : `${tenth(volumes)} vol`;

export const TEMPERATURE_UNITS = ['C', 'F'] as const;
/** In what temperatures are said. */
export type TemperatureUnit = (typeof TEMPERATURE_UNITS)[number];

export const fahrenheitOf = (celsius: number): number => (celsius * 9) / 5 + 32;
export const celsiusOf = (fahrenheit: number): number => ((fahrenheit - 32) * 5) / 9;

/** A temperature as it is said: `40 °C`, `104 °F`. */
export const formatTemperature = (celsius: number, unit: TemperatureUnit = 'C'): string =>
  unit === 'F' ? `${Math.round(fahrenheitOf(celsius))} °F` : `${Math.round(celsius)} °C`;
