CREATE TABLE `draft` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`project_id` integer NOT NULL,
	`market_id` integer NOT NULL,
	`kind` text NOT NULL,
	`name` text NOT NULL,
	`address` text DEFAULT '' NOT NULL,
	`task_id` integer,
	`keywords` text NOT NULL,
	`fields` text NOT NULL,
	`limits` text NOT NULL,
	`checks` text NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL,
	`updated_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`market_id`) REFERENCES `market`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`task_id`) REFERENCES `task`(`id`) ON UPDATE no action ON DELETE set null
);
--> statement-breakpoint
CREATE INDEX `draft_project` ON `draft` (`project_id`,`market_id`);--> statement-breakpoint
CREATE TABLE `draft_version` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`draft_id` integer NOT NULL,
	`name` text DEFAULT '' NOT NULL,
	`fields` text NOT NULL,
	`person` text DEFAULT '' NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	FOREIGN KEY (`draft_id`) REFERENCES `draft`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `draft_version_draft` ON `draft_version` (`draft_id`);--> statement-breakpoint
CREATE TABLE `published_change` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`project_id` integer NOT NULL,
	`market_id` integer NOT NULL,
	`address` text NOT NULL,
	`kind` text NOT NULL,
	`date` text NOT NULL,
	`before` text NOT NULL,
	`after` text NOT NULL,
	`keywords` text NOT NULL,
	`draft_id` integer,
	`task_id` integer,
	`request_id` text NOT NULL,
	`state` text NOT NULL,
	`asked_again` text,
	`seen_from` text,
	`person` text DEFAULT '' NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`market_id`) REFERENCES `market`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`draft_id`) REFERENCES `draft`(`id`) ON UPDATE no action ON DELETE set null,
	FOREIGN KEY (`task_id`) REFERENCES `task`(`id`) ON UPDATE no action ON DELETE set null
);
--> statement-breakpoint
CREATE UNIQUE INDEX `published_change_request_id_unique` ON `published_change` (`request_id`);--> statement-breakpoint
CREATE INDEX `published_change_project` ON `published_change` (`project_id`,`market_id`);--> statement-breakpoint
CREATE TABLE `answering` (
	`project_id` integer NOT NULL,
	`keyword_id` integer NOT NULL,
	`address` text NOT NULL,
	`person` text DEFAULT '' NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	PRIMARY KEY(`project_id`, `keyword_id`),
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`keyword_id`) REFERENCES `keyword`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `round` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`project_id` integer NOT NULL,
	`name` text NOT NULL,
	`starts` text NOT NULL,
	`ends` text NOT NULL,
	`most` integer NOT NULL,
	`people` text NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `task` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`project_id` integer NOT NULL,
	`market_id` integer NOT NULL,
	`round_id` integer,
	`place` real DEFAULT 0 NOT NULL,
	`action` text NOT NULL,
	`keyword_id` integer NOT NULL,
	`address` text DEFAULT '' NOT NULL,
	`title` text DEFAULT '' NOT NULL,
	`serves` text NOT NULL,
	`clicks` real NOT NULL,
	`value` real NOT NULL,
	`low` real NOT NULL,
	`high` real NOT NULL,
	`effort` real NOT NULL,
	`reason` text DEFAULT '' NOT NULL,
	`foretold` text NOT NULL,
	`person` text DEFAULT '' NOT NULL,
	`due` text,
	`use` text DEFAULT 'both' NOT NULL,
	`state` text DEFAULT 'in' NOT NULL,
	`until` text,
	`why` text DEFAULT '' NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`market_id`) REFERENCES `market`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`round_id`) REFERENCES `round`(`id`) ON UPDATE no action ON DELETE set null,
	FOREIGN KEY (`keyword_id`) REFERENCES `keyword`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `task_round` ON `task` (`project_id`,`round_id`);
--> statement-breakpoint
CREATE TRIGGER `ground_round_insert` AFTER INSERT ON `round` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('rounds', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_round_update` AFTER UPDATE ON `round` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('rounds', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_round_delete` AFTER DELETE ON `round` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('rounds', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_task_insert` AFTER INSERT ON `task` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('rounds', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_task_update` AFTER UPDATE ON `task` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('rounds', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_task_delete` AFTER DELETE ON `task` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('rounds', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_answering_insert` AFTER INSERT ON `answering` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('rounds', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_answering_update` AFTER UPDATE ON `answering` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('rounds', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_answering_delete` AFTER DELETE ON `answering` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('rounds', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_draft_insert` AFTER INSERT ON `draft` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('drafts', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_draft_update` AFTER UPDATE ON `draft` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('drafts', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_draft_delete` AFTER DELETE ON `draft` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('drafts', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_published_change_insert` AFTER INSERT ON `published_change` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('drafts', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_published_change_update` AFTER UPDATE ON `published_change` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('drafts', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_published_change_delete` AFTER DELETE ON `published_change` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('drafts', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_draft_version_insert` AFTER INSERT ON `draft_version` WHEN EXISTS (SELECT 1 FROM draft WHERE id = NEW.draft_id) BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('drafts', (SELECT 'p' || project_id FROM draft WHERE id = NEW.draft_id), 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_draft_version_update` AFTER UPDATE ON `draft_version` WHEN EXISTS (SELECT 1 FROM draft WHERE id = NEW.draft_id) BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('drafts', (SELECT 'p' || project_id FROM draft WHERE id = NEW.draft_id), 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_draft_version_delete` AFTER DELETE ON `draft_version` WHEN EXISTS (SELECT 1 FROM draft WHERE id = OLD.draft_id) BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('drafts', (SELECT 'p' || project_id FROM draft WHERE id = OLD.draft_id), 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
