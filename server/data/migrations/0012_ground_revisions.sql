CREATE TABLE `ground_revision` (
	`ground` text NOT NULL,
	`scope` text NOT NULL,
	`revision` integer NOT NULL,
	PRIMARY KEY(`ground`, `scope`)
);
--> statement-breakpoint
CREATE TRIGGER `ground_project_insert` AFTER INSERT ON `project` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('projects', 'p' || NEW.id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_project_update` AFTER UPDATE ON `project` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('projects', 'p' || NEW.id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_project_delete` AFTER DELETE ON `project` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('projects', 'p' || OLD.id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_target_insert` AFTER INSERT ON `target` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('roster', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_target_update` AFTER UPDATE ON `target` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('roster', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_target_delete` AFTER DELETE ON `target` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('roster', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_target_version_insert` AFTER INSERT ON `target_version` WHEN EXISTS (SELECT 1 FROM target WHERE id = NEW.target_id) BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('roster', (SELECT 'p' || project_id FROM target WHERE id = NEW.target_id), 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_target_version_update` AFTER UPDATE ON `target_version` WHEN EXISTS (SELECT 1 FROM target WHERE id = NEW.target_id) BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('roster', (SELECT 'p' || project_id FROM target WHERE id = NEW.target_id), 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_target_version_delete` AFTER DELETE ON `target_version` WHEN EXISTS (SELECT 1 FROM target WHERE id = OLD.target_id) BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('roster', (SELECT 'p' || project_id FROM target WHERE id = OLD.target_id), 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_banned_word_insert` AFTER INSERT ON `banned_word` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('words', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_banned_word_update` AFTER UPDATE ON `banned_word` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('words', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_banned_word_delete` AFTER DELETE ON `banned_word` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('words', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_sitemap_page_insert` AFTER INSERT ON `sitemap_page` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('index', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_sitemap_page_update` AFTER UPDATE ON `sitemap_page` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('index', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_sitemap_page_delete` AFTER DELETE ON `sitemap_page` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('index', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_index_check_insert` AFTER INSERT ON `index_check` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('index', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_index_check_update` AFTER UPDATE ON `index_check` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('index', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_index_check_delete` AFTER DELETE ON `index_check` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('index', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_tracked_insert` AFTER INSERT ON `tracked` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('tracked', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_tracked_update` AFTER UPDATE ON `tracked` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('tracked', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_tracked_delete` AFTER DELETE ON `tracked` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('tracked', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_note_insert` AFTER INSERT ON `note` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('notes', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_note_update` AFTER UPDATE ON `note` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('notes', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_note_delete` AFTER DELETE ON `note` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('notes', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_result_reading_insert` AFTER INSERT ON `result_reading` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('readings', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_result_reading_update` AFTER UPDATE ON `result_reading` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('readings', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_result_reading_delete` AFTER DELETE ON `result_reading` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('readings', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_hand_position_insert` AFTER INSERT ON `hand_position` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('hand', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_hand_position_update` AFTER UPDATE ON `hand_position` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('hand', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_hand_position_delete` AFTER DELETE ON `hand_position` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('hand', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_own_bid_insert` AFTER INSERT ON `own_bid` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('bids', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_own_bid_update` AFTER UPDATE ON `own_bid` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('bids', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_own_bid_delete` AFTER DELETE ON `own_bid` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('bids', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_auction_slot_insert` AFTER INSERT ON `auction_slot` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('auctions', 'm' || NEW.market_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_auction_slot_update` AFTER UPDATE ON `auction_slot` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('auctions', 'm' || NEW.market_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_auction_slot_delete` AFTER DELETE ON `auction_slot` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('auctions', 'm' || OLD.market_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_verdict_insert` AFTER INSERT ON `verdict` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('verdicts', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_verdict_update` AFTER UPDATE ON `verdict` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('verdicts', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_verdict_delete` AFTER DELETE ON `verdict` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('verdicts', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_recipe_insert` AFTER INSERT ON `recipe` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('recipes', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_recipe_update` AFTER UPDATE ON `recipe` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('recipes', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_recipe_delete` AFTER DELETE ON `recipe` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('recipes', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_variant_choice_insert` AFTER INSERT ON `variant_choice` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('variants', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_variant_choice_update` AFTER UPDATE ON `variant_choice` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('variants', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_variant_choice_delete` AFTER DELETE ON `variant_choice` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('variants', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_word_leave_insert` AFTER INSERT ON `word_leave` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('leaves', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_word_leave_update` AFTER UPDATE ON `word_leave` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('leaves', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_word_leave_delete` AFTER DELETE ON `word_leave` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('leaves', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_keyword_list_insert` AFTER INSERT ON `keyword_list` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('lists', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_keyword_list_update` AFTER UPDATE ON `keyword_list` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('lists', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_keyword_list_delete` AFTER DELETE ON `keyword_list` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('lists', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_list_member_insert` AFTER INSERT ON `list_member` WHEN EXISTS (SELECT 1 FROM keyword_list WHERE id = NEW.list_id) BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('lists', (SELECT 'p' || project_id FROM keyword_list WHERE id = NEW.list_id), 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_list_member_update` AFTER UPDATE ON `list_member` WHEN EXISTS (SELECT 1 FROM keyword_list WHERE id = NEW.list_id) BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('lists', (SELECT 'p' || project_id FROM keyword_list WHERE id = NEW.list_id), 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_list_member_delete` AFTER DELETE ON `list_member` WHEN EXISTS (SELECT 1 FROM keyword_list WHERE id = OLD.list_id) BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('lists', (SELECT 'p' || project_id FROM keyword_list WHERE id = OLD.list_id), 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_marker_insert` AFTER INSERT ON `marker` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('markers', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_marker_update` AFTER UPDATE ON `marker` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('markers', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_marker_delete` AFTER DELETE ON `marker` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('markers', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_marked_keyword_insert` AFTER INSERT ON `marked_keyword` WHEN EXISTS (SELECT 1 FROM marker WHERE id = NEW.marker_id) BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('markers', (SELECT 'p' || project_id FROM marker WHERE id = NEW.marker_id), 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_marked_keyword_update` AFTER UPDATE ON `marked_keyword` WHEN EXISTS (SELECT 1 FROM marker WHERE id = NEW.marker_id) BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('markers', (SELECT 'p' || project_id FROM marker WHERE id = NEW.marker_id), 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_marked_keyword_delete` AFTER DELETE ON `marked_keyword` WHEN EXISTS (SELECT 1 FROM marker WHERE id = OLD.marker_id) BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('markers', (SELECT 'p' || project_id FROM marker WHERE id = OLD.marker_id), 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_file_import_insert` AFTER INSERT ON `file_import` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('imports', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_file_import_update` AFTER UPDATE ON `file_import` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('imports', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_file_import_delete` AFTER DELETE ON `file_import` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('imports', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_file_export_insert` AFTER INSERT ON `file_export` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('exports', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_file_export_update` AFTER UPDATE ON `file_export` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('exports', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_file_export_delete` AFTER DELETE ON `file_export` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('exports', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_look_up_insert` AFTER INSERT ON `look_up` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('lookUps', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; INSERT INTO ground_revision (ground, scope, revision) VALUES ('lookUp', 'l' || NEW.id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_look_up_update` AFTER UPDATE ON `look_up` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('lookUps', 'p' || NEW.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; INSERT INTO ground_revision (ground, scope, revision) VALUES ('lookUp', 'l' || NEW.id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_look_up_delete` AFTER DELETE ON `look_up` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('lookUps', 'p' || OLD.project_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; INSERT INTO ground_revision (ground, scope, revision) VALUES ('lookUp', 'l' || OLD.id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_look_up_target_insert` AFTER INSERT ON `look_up_target` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('lookUp', 'l' || NEW.look_up_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; UPDATE ground_revision SET revision = revision + 1 WHERE ground = 'lookUps' AND scope = (SELECT 'p' || project_id FROM look_up WHERE id = NEW.look_up_id); INSERT INTO ground_revision (ground, scope, revision) SELECT 'facts', 'm' || market_id, 1 FROM look_up WHERE id = NEW.look_up_id ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_look_up_target_update` AFTER UPDATE OF state, held_by ON `look_up_target` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('lookUp', 'l' || NEW.look_up_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; UPDATE ground_revision SET revision = revision + 1 WHERE ground = 'lookUps' AND scope = (SELECT 'p' || project_id FROM look_up WHERE id = NEW.look_up_id); INSERT INTO ground_revision (ground, scope, revision) SELECT 'facts', 'm' || market_id, 1 FROM look_up WHERE id = NEW.look_up_id ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_look_up_target_delete` AFTER DELETE ON `look_up_target` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('lookUp', 'l' || OLD.look_up_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; UPDATE ground_revision SET revision = revision + 1 WHERE ground = 'lookUps' AND scope = (SELECT 'p' || project_id FROM look_up WHERE id = OLD.look_up_id); INSERT INTO ground_revision (ground, scope, revision) SELECT 'facts', 'm' || market_id, 1 FROM look_up WHERE id = OLD.look_up_id ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_look_up_find_insert` AFTER INSERT ON `look_up_find` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('lookUp', 'l' || NEW.look_up_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; UPDATE ground_revision SET revision = revision + 1 WHERE ground = 'lookUps' AND scope = (SELECT 'p' || project_id FROM look_up WHERE id = NEW.look_up_id); END;
--> statement-breakpoint
CREATE TRIGGER `ground_look_up_find_update` AFTER UPDATE OF state, message ON `look_up_find` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('lookUp', 'l' || NEW.look_up_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; UPDATE ground_revision SET revision = revision + 1 WHERE ground = 'lookUps' AND scope = (SELECT 'p' || project_id FROM look_up WHERE id = NEW.look_up_id); END;
--> statement-breakpoint
CREATE TRIGGER `ground_look_up_find_delete` AFTER DELETE ON `look_up_find` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('lookUp', 'l' || OLD.look_up_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; UPDATE ground_revision SET revision = revision + 1 WHERE ground = 'lookUps' AND scope = (SELECT 'p' || project_id FROM look_up WHERE id = OLD.look_up_id); END;
--> statement-breakpoint
CREATE TRIGGER `ground_segment_insert` AFTER INSERT ON `segment` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('facts', 'm' || NEW.market_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_segment_update` AFTER UPDATE ON `segment` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('facts', 'm' || NEW.market_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_segment_delete` AFTER DELETE ON `segment` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('facts', 'm' || OLD.market_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_keyword_insert` AFTER INSERT ON `keyword` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('keywords', 'm' || NEW.market_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_keyword_update` AFTER UPDATE ON `keyword` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('keywords', 'm' || NEW.market_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_keyword_delete` AFTER DELETE ON `keyword` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('keywords', 'm' || OLD.market_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_sales_curve_insert` AFTER INSERT ON `sales_curve` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('facts', 'm' || NEW.market_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_sales_curve_update` AFTER UPDATE ON `sales_curve` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('facts', 'm' || NEW.market_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_sales_curve_delete` AFTER DELETE ON `sales_curve` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('facts', 'm' || OLD.market_id, 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_market_insert` AFTER INSERT ON `market` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('markets', '', 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_market_update` AFTER UPDATE ON `market` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('markets', '', 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_market_delete` AFTER DELETE ON `market` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('markets', '', 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_translation_insert` AFTER INSERT ON `translation` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('translations', '', 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_translation_update` AFTER UPDATE ON `translation` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('translations', '', 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_translation_delete` AFTER DELETE ON `translation` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('translations', '', 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_place_record_insert` AFTER INSERT ON `place_record` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('records', '', 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_place_record_update` AFTER UPDATE ON `place_record` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('records', '', 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_place_record_delete` AFTER DELETE ON `place_record` BEGIN INSERT INTO ground_revision (ground, scope, revision) VALUES ('records', '', 1) ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1; END;
--> statement-breakpoint
CREATE TRIGGER `ground_place_insert` AFTER INSERT ON `place` WHEN EXISTS (SELECT 1 FROM target WHERE NEW.address = target.address OR NEW.parent = target.address OR (instr(target.address, '/') > 0 AND substr(NEW.address, 1, length(rtrim(target.address, '/*')) + 1) = rtrim(target.address, '/*') || '/')) BEGIN UPDATE ground_revision SET revision = revision + 1 WHERE ground = 'roster' AND scope IN (SELECT 'p' || project_id FROM target WHERE NEW.address = target.address OR NEW.parent = target.address OR (instr(target.address, '/') > 0 AND substr(NEW.address, 1, length(rtrim(target.address, '/*')) + 1) = rtrim(target.address, '/*') || '/')); END;
--> statement-breakpoint
CREATE TRIGGER `ground_place_update` AFTER UPDATE ON `place` WHEN (OLD.kind, OLD.parent, OLD.owner, OLD.authority, OLD.published, OLD.updated, OLD.version_id) IS NOT (NEW.kind, NEW.parent, NEW.owner, NEW.authority, NEW.published, NEW.updated, NEW.version_id) AND EXISTS (SELECT 1 FROM target WHERE NEW.address = target.address OR NEW.parent = target.address OR (instr(target.address, '/') > 0 AND substr(NEW.address, 1, length(rtrim(target.address, '/*')) + 1) = rtrim(target.address, '/*') || '/')) BEGIN UPDATE ground_revision SET revision = revision + 1 WHERE ground = 'roster' AND scope IN (SELECT 'p' || project_id FROM target WHERE NEW.address = target.address OR NEW.parent = target.address OR (instr(target.address, '/') > 0 AND substr(NEW.address, 1, length(rtrim(target.address, '/*')) + 1) = rtrim(target.address, '/*') || '/')); END;
