export {
  type FinishForecast,
  forecastFinish,
  type JobForecast,
  type SpreadDriver,
} from './forecast-finish.ts'
export { type Offer, type OfferInput, offersFor, takeOffer, tryOffer } from './offers.ts'
export {
  type DeskInput,
  type DeskJob,
  type DeskLaid,
  type DeskPlan,
  drawDesk,
  type JobAtDesk,
  type JobLaid,
  layDesk,
  planDesk,
  type SolvedDesk,
} from './plan-desk.ts'
export { planNow, type ProjectNow } from './plan-now.ts'
