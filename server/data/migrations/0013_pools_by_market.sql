CREATE TRIGGER `pools_look_up_insert` AFTER INSERT ON `look_up` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('pools', 'm' || NEW.market_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `pools_look_up_delete` AFTER DELETE ON `look_up` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('pools', 'm' || OLD.market_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
DROP TRIGGER `ground_project_update`;
--> statement-breakpoint
CREATE TRIGGER `ground_project_update` AFTER UPDATE OF name, settings ON `project` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('projects', 'p' || NEW.id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
