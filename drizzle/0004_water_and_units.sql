ALTER TABLE `people` ADD `units` json;--> statement-breakpoint
ALTER TABLE `sites` ADD `water` json NOT NULL DEFAULT '{"hardness":"unknown","filtered":true}';