export {
  durationText,
  rangeText,
  minutesInputText,
  parseMinutesText,
  stopwatchText,
  waitRangeText,
} from './duration.ts'
export { clockText, dateText, dayText, plural, weekdayText } from './moments.ts'
