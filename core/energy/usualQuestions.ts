/** Weathers a forecast draws and the seed they come from, so that every place that asks is answered alike. */
export const FORECAST_DRAWS = 100;
export const FORECAST_SEED = 1;

/** Chance of running out accepted until a person says otherwise, percent. */
export const ACCEPTED_CHANCE_PERCENT = 10;
