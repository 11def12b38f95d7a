/** Minutes as hours and minutes. */
export const hours = (minutes: number) => {
  const whole = Math.round(minutes);
  const h = Math.floor(whole / 60);
  const rest = whole % 60;
  return h === 0 ? `${rest} min` : rest === 0 ? `${h} h` : `${h} h ${rest} min`;
};
