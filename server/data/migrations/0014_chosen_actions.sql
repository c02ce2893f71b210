CREATE TABLE `chosen_action` (
	`project_id` integer NOT NULL,
	`keyword_id` integer NOT NULL,
	`action` text NOT NULL,
	`person` text DEFAULT '' NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ','now')) NOT NULL,
	PRIMARY KEY(`project_id`, `keyword_id`),
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`keyword_id`) REFERENCES `keyword`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TRIGGER `ground_chosen_action_insert` AFTER INSERT ON `chosen_action` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('choices', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_chosen_action_update` AFTER UPDATE ON `chosen_action` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('choices', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_chosen_action_delete` AFTER DELETE ON `chosen_action` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('choices', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
