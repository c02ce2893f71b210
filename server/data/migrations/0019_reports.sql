CREATE TABLE `audit` (
	`project_id` integer PRIMARY KEY NOT NULL,
	`report_id` integer NOT NULL,
	`market_id` integer NOT NULL,
	`address` text NOT NULL,
	`date` text NOT NULL,
	`job_id` integer NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`report_id`) REFERENCES `report`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`market_id`) REFERENCES `market`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `frozen_report` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`project_id` integer NOT NULL,
	`report_id` integer,
	`title` text NOT NULL,
	`market` text NOT NULL,
	`date` text NOT NULL,
	`compare` text,
	`checksum` text NOT NULL,
	`packed` text NOT NULL,
	`planned` integer DEFAULT false NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`report_id`) REFERENCES `report`(`id`) ON UPDATE no action ON DELETE set null
);
--> statement-breakpoint
CREATE TABLE `report` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`project_id` integer NOT NULL,
	`template` text NOT NULL,
	`document` text NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	`changed_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `report_plan` (
	`report_id` integer PRIMARY KEY NOT NULL,
	`project_id` integer NOT NULL,
	`market_id` integer NOT NULL,
	`rhythm` text NOT NULL,
	`last_day` text,
	FOREIGN KEY (`report_id`) REFERENCES `report`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`market_id`) REFERENCES `market`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `report_share` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`project_id` integer NOT NULL,
	`frozen_id` integer NOT NULL,
	`secret` text NOT NULL,
	`until_at` text NOT NULL,
	`revoked_at` text,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`frozen_id`) REFERENCES `frozen_report`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `report_share_secret_unique` ON `report_share` (`secret`);
--> statement-breakpoint
CREATE TRIGGER `ground_report_insert` AFTER INSERT ON `report` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('reports', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_report_update` AFTER UPDATE ON `report` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('reports', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_report_delete` AFTER DELETE ON `report` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('reports', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_frozen_report_insert` AFTER INSERT ON `frozen_report` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('reports', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_frozen_report_update` AFTER UPDATE ON `frozen_report` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('reports', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_frozen_report_delete` AFTER DELETE ON `frozen_report` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('reports', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_report_share_insert` AFTER INSERT ON `report_share` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('reports', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_report_share_update` AFTER UPDATE ON `report_share` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('reports', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_report_share_delete` AFTER DELETE ON `report_share` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('reports', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_report_plan_insert` AFTER INSERT ON `report_plan` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('reports', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_report_plan_update` AFTER UPDATE ON `report_plan` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('reports', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_report_plan_delete` AFTER DELETE ON `report_plan` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('reports', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_audit_insert` AFTER INSERT ON `audit` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('reports', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_audit_update` AFTER UPDATE ON `audit` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('reports', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_audit_delete` AFTER DELETE ON `audit` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('reports', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
