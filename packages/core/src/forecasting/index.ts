export {
  type FinishForecast,
  forecastFinish,
  type JobForecast,
  type SpreadDriver,
} from './forecast-finish.ts'
export { forecastFigures, type OddsWish, type Offer, offersFor, takeOffer, tryOffer } from './offers.ts'
export {
  type DeskInput,
  type DeskLaid,
  type DeskPlan,
  drawDesk,
  type JobAtDesk,
  type JobLaid,
  layDesk,
  planDesk,
  type SolvedDesk,
} from './plan-desk.ts'
export { planNow } from './plan-now.ts'
