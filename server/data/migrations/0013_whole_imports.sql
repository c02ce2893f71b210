CREATE TRIGGER `facts_look_up_delete` AFTER DELETE ON `look_up` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('facts', 'm' || OLD.market_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
DROP TRIGGER `ground_project_update`;
--> statement-breakpoint
CREATE TRIGGER `ground_project_update` AFTER UPDATE OF name, settings ON `project` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('projects', 'p' || NEW.id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
ALTER TABLE `segment` ADD `pending` integer DEFAULT 0 NOT NULL;
--> statement-breakpoint
DROP TRIGGER `ground_segment_insert`;
--> statement-breakpoint
CREATE TRIGGER `ground_segment_insert` AFTER INSERT ON `segment` WHEN NEW.pending = 0 BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('facts', 'm' || NEW.market_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
DROP TRIGGER `ground_segment_update`;
--> statement-breakpoint
CREATE TRIGGER `ground_segment_update` AFTER UPDATE ON `segment` WHEN NEW.pending = 0 BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('facts', 'm' || NEW.market_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
DROP TRIGGER `ground_keyword_insert`;
--> statement-breakpoint
CREATE TRIGGER `ground_keyword_insert` AFTER INSERT ON `keyword` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('new keywords', 'm' || NEW.market_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
