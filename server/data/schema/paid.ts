import { integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { ofMarket, ofProject } from './projects';
import { keyword } from './world';

// What is known of paid slots beside captures: observed auctions, and what we bid ourselves.

const ofKeyword = () =>
  integer('keyword_id')
    .notNull()
    .references(() => keyword.id);

/** One slot of the auction for a keyword on a day. */
export const auctionSlot = sqliteTable(
  'auction_slot',
  {
    marketId: ofMarket(),
    keywordId: ofKeyword(),
    date: text().notNull(),
    /** 0 on a day without a single slot. */
    position: integer().notNull(),
    advertiser: text().notNull(),
    address: text().notNull(),
    title: text().notNull(),
    /** What a click costs, in the market's currency. */
    cost: real().notNull(),
  },
  (table) => [primaryKey({ columns: [table.marketId, table.keywordId, table.date, table.position] })],
);

/** Keywords that we bid on, as the account says on a day. */
export const ownBid = sqliteTable(
  'own_bid',
  {
    projectId: ofProject(),
    marketId: ofMarket(),
    date: text().notNull(),
    campaign: text().notNull(),
    keywordId: ofKeyword(),
    match: text({ enum: ['exact', 'phrase', 'broad'] }).notNull(),
    bid: real().notNull(),
    landing: text().notNull(),
    dailyBudget: real('daily_budget').notNull(),
  },
  (table) => [
    primaryKey({
      columns: [table.projectId, table.marketId, table.date, table.campaign, table.keywordId, table.match],
    }),
  ],
);
