export {
  durationText,
  rangeText,
  minutesInputText,
  parseMinutesText,
  stopwatchText,
  waitRangeText,
} from './duration.ts'
export { moneyInputText, moneyText, parseMoney } from './money.ts'
export { clockText, dateText, dayText, plural, weekdayText } from './moments.ts'
export { shareDoneText } from './share-done.ts'
export { hoursText } from './hours.ts'
export { decimalText, firstWeekday, numberText } from './system.ts'
