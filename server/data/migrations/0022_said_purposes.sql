CREATE TABLE `said_purpose` (
	`project_id` integer NOT NULL,
	`keyword_id` integer NOT NULL,
	`purpose` text NOT NULL,
	`person` text DEFAULT '' NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	PRIMARY KEY(`project_id`, `keyword_id`),
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`keyword_id`) REFERENCES `keyword`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TRIGGER `ground_said_purpose_insert` AFTER INSERT ON `said_purpose` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('choices', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_said_purpose_update` AFTER UPDATE ON `said_purpose` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('choices', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_said_purpose_delete` AFTER DELETE ON `said_purpose` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('choices', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
