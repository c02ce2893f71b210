CREATE TABLE `edition` (
	`project_id` integer NOT NULL,
	`kind` text NOT NULL,
	`thing_id` integer NOT NULL,
	`revision` integer NOT NULL,
	`state` text NOT NULL,
	`person` text DEFAULT '' NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	PRIMARY KEY(`project_id`, `kind`, `thing_id`, `revision`),
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `paid_request` (
	`about` text PRIMARY KEY NOT NULL,
	`request_id` text NOT NULL,
	`market_id` integer NOT NULL,
	`date` text NOT NULL,
	`kind` text NOT NULL,
	`keywords` text,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL
);
--> statement-breakpoint
CREATE INDEX `paid_request_kind` ON `paid_request` (`market_id`,`kind`,`date`);--> statement-breakpoint
CREATE TABLE `given_verdicts` (
	`project_id` integer NOT NULL,
	`id` text NOT NULL,
	`person` text DEFAULT '' NOT NULL,
	`pairs` text NOT NULL,
	`newer` integer DEFAULT 0 NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	PRIMARY KEY(`project_id`, `id`),
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_import_rejection` (
	`import_id` integer NOT NULL,
	`number` integer NOT NULL,
	`line` integer NOT NULL,
	`reason` text NOT NULL,
	`content` text NOT NULL,
	PRIMARY KEY(`import_id`, `number`),
	FOREIGN KEY (`import_id`) REFERENCES `file_import`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
INSERT INTO `__new_import_rejection`("import_id", "number", "line", "reason", "content") SELECT "import_id", "line", "line", "reason", "content" FROM `import_rejection`;--> statement-breakpoint
DROP TABLE `import_rejection`;--> statement-breakpoint
ALTER TABLE `__new_import_rejection` RENAME TO `import_rejection`;--> statement-breakpoint
PRAGMA foreign_keys=ON;--> statement-breakpoint
ALTER TABLE `project` ADD `verdicts_revision` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `project` ADD `settings_revision` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `segment` ADD `hash` text;--> statement-breakpoint
ALTER TABLE `file_import` ADD `rows_blank` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `job` ADD `restarts` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `note` ADD `revision` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `keyword_list` ADD `revision` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `keyword_list` ADD `removed_at` text;--> statement-breakpoint
ALTER TABLE `marker` ADD `removed_at` text;--> statement-breakpoint
ALTER TABLE `recipe` ADD `revision` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `recipe` ADD `removed_at` text;