export { isCurrency, minor, type Minor, minorDigits, sumOf } from './money.ts'
export { confidences, type PriceList, usualPriceList } from './price-list.ts'
export {
  leftToFiner,
  type Outcome,
  outcomeOfQuote,
  type PriceMover,
  priceMovers,
  priceParts,
  type PriceParts,
  type Quote,
  type QuoteDoubt,
  quoteDoubts,
  type QuotedTier,
  type QuoteInput,
  type QuoteTier,
  quoteTiers,
  workByPainter,
} from './quote.ts'
