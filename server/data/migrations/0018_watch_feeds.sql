CREATE TABLE `watch_feed` (
	`project_id` integer PRIMARY KEY NOT NULL,
	`secret` text NOT NULL,
	FOREIGN KEY (`project_id`) REFERENCES `project`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `watch_feed_secret_unique` ON `watch_feed` (`secret`);
--> statement-breakpoint
CREATE TRIGGER `ground_watch_feed_insert` AFTER INSERT ON `watch_feed` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('tracked', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_watch_feed_update` AFTER UPDATE ON `watch_feed` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('tracked', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_watch_feed_delete` AFTER DELETE ON `watch_feed` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('tracked', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
