ALTER TABLE `draft` ADD `second` text;--> statement-breakpoint
ALTER TABLE `published_change` ADD `note` text DEFAULT '' NOT NULL;