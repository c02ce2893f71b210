CREATE TABLE `watch_plan` (
	`project_id` integer NOT NULL,
	`market_id` integer NOT NULL,
	`weekdays` text NOT NULL,
	`last_day` text,
	`trouble` text DEFAULT '' NOT NULL,
	PRIMARY KEY(`project_id`, `market_id`),
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`market_id`) REFERENCES `market`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TRIGGER `ground_watch_plan_insert` AFTER INSERT ON `watch_plan` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('tracked', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_watch_plan_update` AFTER UPDATE ON `watch_plan` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('tracked', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_watch_plan_delete` AFTER DELETE ON `watch_plan` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('tracked', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
