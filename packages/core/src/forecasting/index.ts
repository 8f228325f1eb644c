export { type FinishForecast, forecastFinish, type SpreadDriver } from './forecast-finish.ts'
export { type Offer, type OfferInput, offersFor, takeOffer, tryOffer } from './offers.ts'
export { type DeskInput, type DeskJob, type DeskPlan, type JobAtDesk, planDesk } from './plan-desk.ts'
export { planNow, type ProjectNow } from './plan-now.ts'
