CREATE TABLE `hand_position` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`project_id` integer NOT NULL,
	`keyword_id` integer NOT NULL,
	`target_id` integer NOT NULL,
	`date` text NOT NULL,
	`organic` integer,
	`paid` integer,
	`person` text DEFAULT '' NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`keyword_id`) REFERENCES `keyword`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`target_id`) REFERENCES `target`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `hand_position_keyword` ON `hand_position` (`project_id`,`keyword_id`);--> statement-breakpoint
CREATE TABLE `result_reading` (
	`project_id` integer NOT NULL,
	`place_id` integer NOT NULL,
	`about` text NOT NULL,
	`traits` text NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	PRIMARY KEY(`project_id`, `place_id`, `about`),
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`place_id`) REFERENCES `place`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `auction_slot` (
	`market_id` integer NOT NULL,
	`keyword_id` integer NOT NULL,
	`date` text NOT NULL,
	`position` integer NOT NULL,
	`advertiser` text NOT NULL,
	`address` text NOT NULL,
	`title` text NOT NULL,
	`cost` real NOT NULL,
	PRIMARY KEY(`market_id`, `keyword_id`, `date`, `position`),
	FOREIGN KEY (`market_id`) REFERENCES `market`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`keyword_id`) REFERENCES `keyword`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `own_bid` (
	`project_id` integer NOT NULL,
	`market_id` integer NOT NULL,
	`date` text NOT NULL,
	`campaign` text NOT NULL,
	`keyword_id` integer NOT NULL,
	`match` text NOT NULL,
	`bid` real NOT NULL,
	`landing` text NOT NULL,
	`daily_budget` real NOT NULL,
	PRIMARY KEY(`project_id`, `market_id`, `date`, `campaign`, `keyword_id`, `match`),
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`market_id`) REFERENCES `market`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`keyword_id`) REFERENCES `keyword`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
ALTER TABLE `note` ADD `picture` text;