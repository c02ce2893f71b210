CREATE TABLE `banned_word` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`project_id` integer NOT NULL,
	`key` text NOT NULL,
	`text` text NOT NULL,
	`language` text DEFAULT '' NOT NULL,
	`surface` text DEFAULT '' NOT NULL,
	`level` text NOT NULL,
	`reason` text NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `banned_word_key` ON `banned_word` (`project_id`,`key`,`language`,`surface`);--> statement-breakpoint
CREATE TABLE `column_match` (
	`project_id` integer NOT NULL,
	`kind` text NOT NULL,
	`heads` text NOT NULL,
	`reading` text NOT NULL,
	PRIMARY KEY(`project_id`, `kind`, `heads`),
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `file_export` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`project_id` integer NOT NULL,
	`look_up_id` integer,
	`name` text NOT NULL,
	`query` text NOT NULL,
	`rows` integer NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`look_up_id`) REFERENCES `look_up`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `index_check` (
	`project_id` integer NOT NULL,
	`market_id` integer NOT NULL,
	`address` text NOT NULL,
	`checked_on` text NOT NULL,
	`state` text NOT NULL,
	`since` text,
	PRIMARY KEY(`project_id`, `market_id`, `address`, `checked_on`),
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`market_id`) REFERENCES `market`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `look_up_find` (
	`look_up_id` integer NOT NULL,
	`way` text NOT NULL,
	`seed` text NOT NULL,
	`state` text NOT NULL,
	`found` integer DEFAULT 0 NOT NULL,
	`message` text,
	PRIMARY KEY(`look_up_id`, `way`, `seed`),
	FOREIGN KEY (`look_up_id`) REFERENCES `look_up`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `place_record` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`place_id` integer NOT NULL,
	`date` text NOT NULL,
	`record` text NOT NULL,
	FOREIGN KEY (`place_id`) REFERENCES `place`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `place_record_date` ON `place_record` (`place_id`,`date`);--> statement-breakpoint
CREATE TABLE `sales_curve` (
	`market_id` integer NOT NULL,
	`date` text NOT NULL,
	`category` text NOT NULL,
	`points` text NOT NULL,
	PRIMARY KEY(`market_id`, `date`, `category`),
	FOREIGN KEY (`market_id`) REFERENCES `market`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `sitemap_page` (
	`project_id` integer NOT NULL,
	`address` text NOT NULL,
	`updated` text,
	`import_id` integer,
	PRIMARY KEY(`project_id`, `address`),
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `file_import` ADD `kind` text DEFAULT 'performance' NOT NULL;--> statement-breakpoint
ALTER TABLE `market` ADD `platform` text;--> statement-breakpoint
ALTER TABLE `market` ADD `alphabet` text DEFAULT 'abcdefghijklmnopqrstuvwxyz0123456789' NOT NULL;--> statement-breakpoint
ALTER TABLE `market` ADD `live_page` text;--> statement-breakpoint
ALTER TABLE `target` ADD `parent` text;--> statement-breakpoint
ALTER TABLE `target` ADD `market` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `target` ADD `note` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `target` ADD `likeness` text;--> statement-breakpoint
ALTER TABLE `target` ADD `private_fields` text DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE `target` ADD `facts` text DEFAULT '{}' NOT NULL;