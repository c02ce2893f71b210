CREATE TABLE `file_import` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`project_id` integer NOT NULL,
	`market_id` integer,
	`job_id` integer,
	`file_name` text NOT NULL,
	`stored_as` text NOT NULL,
	`bytes` integer NOT NULL,
	`reading` text NOT NULL,
	`records_read` integer DEFAULT 0 NOT NULL,
	`rows_kept` integer DEFAULT 0 NOT NULL,
	`rows_rejected` integer DEFAULT 0 NOT NULL,
	`rows_skipped` integer DEFAULT 0 NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`market_id`) REFERENCES `market`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `import_rejection` (
	`import_id` integer NOT NULL,
	`line` integer NOT NULL,
	`reason` text NOT NULL,
	`content` text NOT NULL,
	PRIMARY KEY(`import_id`, `line`),
	FOREIGN KEY (`import_id`) REFERENCES `file_import`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `job` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`project_id` integer NOT NULL,
	`kind` text NOT NULL,
	`state` text NOT NULL,
	`request` text NOT NULL,
	`progress` text NOT NULL,
	`message` text,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	`finished_at` text,
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `keyword` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`market_id` integer NOT NULL,
	`key` text NOT NULL,
	`text` text NOT NULL,
	FOREIGN KEY (`market_id`) REFERENCES `market`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `keyword_key` ON `keyword` (`market_id`,`key`);--> statement-breakpoint
CREATE TABLE `look_up` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`project_id` integer NOT NULL,
	`market_id` integer NOT NULL,
	`job_id` integer,
	`name` text NOT NULL,
	`date` text NOT NULL,
	`request` text NOT NULL,
	`keywords` integer DEFAULT 0 NOT NULL,
	`units` integer DEFAULT 0 NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`market_id`) REFERENCES `market`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `look_up_project` ON `look_up` (`project_id`,`market_id`);--> statement-breakpoint
CREATE TABLE `look_up_target` (
	`look_up_id` integer NOT NULL,
	`address` text NOT NULL,
	`held_by` integer NOT NULL,
	`state` text NOT NULL,
	`cursor` text,
	`rows` integer DEFAULT 0 NOT NULL,
	`message` text,
	PRIMARY KEY(`look_up_id`, `address`),
	FOREIGN KEY (`look_up_id`) REFERENCES `look_up`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `market` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`code` text NOT NULL,
	`surface` text NOT NULL,
	`place` text NOT NULL,
	`place_name` text NOT NULL,
	`language` text NOT NULL,
	`language_name` text NOT NULL,
	`currency` text NOT NULL,
	`results_per_page` integer NOT NULL,
	`depth` integer NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `market_code_unique` ON `market` (`code`);--> statement-breakpoint
CREATE TABLE `place` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`address` text NOT NULL,
	`kind` text NOT NULL,
	`parent` text,
	`owner` text NOT NULL,
	`authority` integer,
	`published` text,
	`updated` text,
	`version_id` integer,
	`seen` text
);
--> statement-breakpoint
CREATE UNIQUE INDEX `place_address_unique` ON `place` (`address`);--> statement-breakpoint
CREATE INDEX `place_parent` ON `place` (`parent`);--> statement-breakpoint
CREATE TABLE `place_version` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`place_id` integer NOT NULL,
	`hash` text NOT NULL,
	`title` text NOT NULL,
	`description` text NOT NULL,
	FOREIGN KEY (`place_id`) REFERENCES `place`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `place_version_words` ON `place_version` (`place_id`,`hash`);--> statement-breakpoint
CREATE TABLE `project` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`name` text NOT NULL,
	`settings` text NOT NULL,
	`revision` integer DEFAULT 0 NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL
);
--> statement-breakpoint
CREATE TABLE `segment` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`market_id` integer NOT NULL,
	`kind` text NOT NULL,
	`source` text NOT NULL,
	`date` text NOT NULL,
	`project_id` integer,
	`look_up_id` integer,
	`import_id` integer,
	`subject` text,
	`rows` integer NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	FOREIGN KEY (`market_id`) REFERENCES `market`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `segment_market` ON `segment` (`market_id`,`kind`,`date`);--> statement-breakpoint
CREATE INDEX `segment_look_up` ON `segment` (`look_up_id`);--> statement-breakpoint
CREATE TABLE `segment_column` (
	`segment_id` integer NOT NULL,
	`name` text NOT NULL,
	`block` integer NOT NULL,
	`type` text NOT NULL,
	`count` integer NOT NULL,
	`checksum` integer NOT NULL,
	`data` blob NOT NULL,
	PRIMARY KEY(`segment_id`, `name`, `block`),
	FOREIGN KEY (`segment_id`) REFERENCES `segment`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `target` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`project_id` integer NOT NULL,
	`side` text NOT NULL,
	`kind` text NOT NULL,
	`address` text NOT NULL,
	`name` text NOT NULL,
	`parent_id` integer,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `target_address` ON `target` (`project_id`,`address`);--> statement-breakpoint
CREATE TABLE `target_version` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`target_id` integer NOT NULL,
	`date` text NOT NULL,
	`record` text NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	FOREIGN KEY (`target_id`) REFERENCES `target`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `target_version_target` ON `target_version` (`target_id`,`date`);--> statement-breakpoint
CREATE TABLE `tracked` (
	`project_id` integer NOT NULL,
	`keyword_id` integer NOT NULL,
	`since` text NOT NULL,
	PRIMARY KEY(`project_id`, `keyword_id`),
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`keyword_id`) REFERENCES `keyword`(`id`) ON UPDATE no action ON DELETE no action
);
