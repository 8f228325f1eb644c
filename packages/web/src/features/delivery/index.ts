export { DeliveryNotice } from './DeliveryNotice.tsx'
