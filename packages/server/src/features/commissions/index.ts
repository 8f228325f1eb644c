export { studioOfLink } from './links.ts'
export { commissionRoutes, sharedRoutes } from './routes.ts'
