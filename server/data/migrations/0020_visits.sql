CREATE TABLE `visit_month` (
	`project_id` integer NOT NULL,
	`month` text NOT NULL,
	`source` text NOT NULL,
	`visits` integer NOT NULL,
	PRIMARY KEY(`project_id`, `month`, `source`),
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TRIGGER `ground_visit_month_insert` AFTER INSERT ON `visit_month` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('imports', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_visit_month_update` AFTER UPDATE ON `visit_month` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('imports', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_visit_month_delete` AFTER DELETE ON `visit_month` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('imports', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
