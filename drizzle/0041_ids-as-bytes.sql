-- Ids become 16 bytes. Foreign keys go first and come back last, as both ends of each change; one statement a table, so
-- that each is written anew once. Ended halfway it can be run again.
SET SESSION foreign_key_checks = 0;--> statement-breakpoint
ALTER TABLE `batch_events`
	DROP FOREIGN KEY IF EXISTS `batch_events_batch_id_batches_id_fk`,
	DROP FOREIGN KEY IF EXISTS `batch_events_person_id_people_id_fk`;--> statement-breakpoint
ALTER TABLE `batches`
	DROP FOREIGN KEY IF EXISTS `batches_site_id_sites_id_fk`,
	DROP FOREIGN KEY IF EXISTS `batches_tea_id_teas_id_fk`,
	DROP FOREIGN KEY IF EXISTS `batches_lot_id_lots_id_fk`,
	DROP FOREIGN KEY IF EXISTS `batches_version_id_recipe_versions_id_fk`,
	DROP FOREIGN KEY IF EXISTS `batches_vessel_id_vessels_id_fk`,
	DROP FOREIGN KEY IF EXISTS `batches_started_by_people_id_fk`;--> statement-breakpoint
ALTER TABLE `brew_events`
	DROP FOREIGN KEY IF EXISTS `brew_events_brew_id_brews_id_fk`,
	DROP FOREIGN KEY IF EXISTS `brew_events_person_id_people_id_fk`;--> statement-breakpoint
ALTER TABLE `brew_photos`
	DROP FOREIGN KEY IF EXISTS `brew_photos_brew_id_brews_id_fk`,
	DROP FOREIGN KEY IF EXISTS `brew_photos_person_id_people_id_fk`;--> statement-breakpoint
ALTER TABLE `brew_terms`
	DROP FOREIGN KEY IF EXISTS `brew_terms_brew_id_brews_id_fk`;--> statement-breakpoint
ALTER TABLE `brews`
	DROP FOREIGN KEY IF EXISTS `brews_site_id_sites_id_fk`,
	DROP FOREIGN KEY IF EXISTS `brews_tea_id_teas_id_fk`,
	DROP FOREIGN KEY IF EXISTS `brews_lot_id_lots_id_fk`,
	DROP FOREIGN KEY IF EXISTS `brews_vessel_id_vessels_id_fk`,
	DROP FOREIGN KEY IF EXISTS `brews_version_id_recipe_versions_id_fk`,
	DROP FOREIGN KEY IF EXISTS `brews_started_by_people_id_fk`,
	DROP FOREIGN KEY IF EXISTS `brews_pulled_by_people_id_fk`,
	DROP FOREIGN KEY IF EXISTS `brews_judged_by_people_id_fk`,
	DROP FOREIGN KEY IF EXISTS `brews_left_out_by_people_id_fk`;--> statement-breakpoint
ALTER TABLE `calendar_entries`
	DROP FOREIGN KEY IF EXISTS `calendar_entries_site_id_sites_id_fk`;--> statement-breakpoint
ALTER TABLE `calendar_tokens`
	DROP FOREIGN KEY IF EXISTS `calendar_tokens_site_id_sites_id_fk`,
	DROP FOREIGN KEY IF EXISTS `calendar_tokens_made_by_people_id_fk`;--> statement-breakpoint
ALTER TABLE `changes`
	DROP FOREIGN KEY IF EXISTS `changes_person_id_people_id_fk`;--> statement-breakpoint
ALTER TABLE `cold_plans`
	DROP FOREIGN KEY IF EXISTS `cold_plans_site_id_sites_id_fk`,
	DROP FOREIGN KEY IF EXISTS `cold_plans_changed_by_people_id_fk`;--> statement-breakpoint
ALTER TABLE `devices`
	DROP FOREIGN KEY IF EXISTS `devices_site_id_sites_id_fk`,
	DROP FOREIGN KEY IF EXISTS `devices_added_by_people_id_fk`;--> statement-breakpoint
ALTER TABLE `drill_answers`
	DROP FOREIGN KEY IF EXISTS `drill_answers_person_id_people_id_fk`,
	DROP FOREIGN KEY IF EXISTS `drill_answers_site_id_sites_id_fk`;--> statement-breakpoint
ALTER TABLE `fridge_gaps`
	DROP FOREIGN KEY IF EXISTS `fridge_gaps_site_id_sites_id_fk`,
	DROP FOREIGN KEY IF EXISTS `fridge_gaps_person_id_people_id_fk`;--> statement-breakpoint
ALTER TABLE `fridge_readings`
	DROP FOREIGN KEY IF EXISTS `fridge_readings_site_id_sites_id_fk`,
	DROP FOREIGN KEY IF EXISTS `fridge_readings_person_id_people_id_fk`,
	DROP FOREIGN KEY IF EXISTS `fridge_readings_probe_id_probes_id_fk`;--> statement-breakpoint
ALTER TABLE `imports`
	DROP FOREIGN KEY IF EXISTS `imports_person_id_people_id_fk`;--> statement-breakpoint
ALTER TABLE `kettle_readings`
	DROP FOREIGN KEY IF EXISTS `kettle_readings_kettle_id_kettles_id_fk`,
	DROP FOREIGN KEY IF EXISTS `kettle_readings_person_id_people_id_fk`;--> statement-breakpoint
ALTER TABLE `kettles`
	DROP FOREIGN KEY IF EXISTS `kettles_site_id_sites_id_fk`;--> statement-breakpoint
ALTER TABLE `lead_notes`
	DROP FOREIGN KEY IF EXISTS `lead_notes_tea_id_teas_id_fk`,
	DROP FOREIGN KEY IF EXISTS `lead_notes_brew_id_brews_id_fk`,
	DROP FOREIGN KEY IF EXISTS `lead_notes_batch_id_batches_id_fk`,
	DROP FOREIGN KEY IF EXISTS `lead_notes_person_id_people_id_fk`,
	DROP FOREIGN KEY IF EXISTS `lead_notes_settled_by_people_id_fk`;--> statement-breakpoint
ALTER TABLE `lot_stock`
	DROP FOREIGN KEY IF EXISTS `lot_stock_lot_id_lots_id_fk`,
	DROP FOREIGN KEY IF EXISTS `lot_stock_counted_by_people_id_fk`;--> statement-breakpoint
ALTER TABLE `lots`
	DROP FOREIGN KEY IF EXISTS `lots_tea_id_teas_id_fk`,
	DROP FOREIGN KEY IF EXISTS `lots_version_id_recipe_versions_id_fk`;--> statement-breakpoint
ALTER TABLE `orders`
	DROP FOREIGN KEY IF EXISTS `orders_site_id_sites_id_fk`,
	DROP FOREIGN KEY IF EXISTS `orders_tea_id_teas_id_fk`,
	DROP FOREIGN KEY IF EXISTS `orders_vessel_id_vessels_id_fk`,
	DROP FOREIGN KEY IF EXISTS `orders_brew_id_brews_id_fk`,
	DROP FOREIGN KEY IF EXISTS `orders_person_id_people_id_fk`,
	DROP FOREIGN KEY IF EXISTS `orders_program_id_programs_id_fk`;--> statement-breakpoint
ALTER TABLE `person_sites`
	DROP FOREIGN KEY IF EXISTS `person_sites_person_id_people_id_fk`,
	DROP FOREIGN KEY IF EXISTS `person_sites_site_id_sites_id_fk`;--> statement-breakpoint
ALTER TABLE `photos`
	DROP FOREIGN KEY IF EXISTS `photos_tea_id_teas_id_fk`;--> statement-breakpoint
ALTER TABLE `pockets`
	DROP FOREIGN KEY IF EXISTS `pockets_site_id_sites_id_fk`,
	DROP FOREIGN KEY IF EXISTS `pockets_tea_id_teas_id_fk`,
	DROP FOREIGN KEY IF EXISTS `pockets_lot_id_lots_id_fk`,
	DROP FOREIGN KEY IF EXISTS `pockets_person_id_people_id_fk`;--> statement-breakpoint
ALTER TABLE `printers`
	DROP FOREIGN KEY IF EXISTS `printers_site_id_sites_id_fk`;--> statement-breakpoint
ALTER TABLE `probes`
	DROP FOREIGN KEY IF EXISTS `probes_site_id_sites_id_fk`,
	DROP FOREIGN KEY IF EXISTS `probes_added_by_people_id_fk`;--> statement-breakpoint
ALTER TABLE `program_messages`
	DROP FOREIGN KEY IF EXISTS `program_messages_program_id_programs_id_fk`;--> statement-breakpoint
ALTER TABLE `programs`
	DROP FOREIGN KEY IF EXISTS `programs_site_id_sites_id_fk`,
	DROP FOREIGN KEY IF EXISTS `programs_made_by_people_id_fk`;--> statement-breakpoint
ALTER TABLE `sessions`
	DROP FOREIGN KEY IF EXISTS `sessions_person_id_people_id_fk`,
	DROP FOREIGN KEY IF EXISTS `sessions_site_id_sites_id_fk`,
	DROP FOREIGN KEY IF EXISTS `sessions_device_id_devices_id_fk`;--> statement-breakpoint
ALTER TABLE `sign_events`
	DROP FOREIGN KEY IF EXISTS `sign_events_person_id_people_id_fk`,
	DROP FOREIGN KEY IF EXISTS `sign_events_site_id_sites_id_fk`,
	DROP FOREIGN KEY IF EXISTS `sign_events_by_id_people_id_fk`;--> statement-breakpoint
ALTER TABLE `site_recipes`
	DROP FOREIGN KEY IF EXISTS `site_recipes_site_id_sites_id_fk`,
	DROP FOREIGN KEY IF EXISTS `site_recipes_tea_id_teas_id_fk`,
	DROP FOREIGN KEY IF EXISTS `site_recipes_version_id_recipe_versions_id_fk`,
	DROP FOREIGN KEY IF EXISTS `site_recipes_person_id_people_id_fk`;--> statement-breakpoint
ALTER TABLE `spoon_weighings`
	DROP FOREIGN KEY IF EXISTS `spoon_weighings_person_id_people_id_fk`,
	DROP FOREIGN KEY IF EXISTS `spoon_weighings_site_id_sites_id_fk`,
	DROP FOREIGN KEY IF EXISTS `spoon_weighings_tea_id_teas_id_fk`;--> statement-breakpoint
ALTER TABLE `tasting_events`
	DROP FOREIGN KEY IF EXISTS `tasting_events_tasting_id_tastings_id_fk`,
	DROP FOREIGN KEY IF EXISTS `tasting_events_person_id_people_id_fk`,
	DROP FOREIGN KEY IF EXISTS `tasting_events_guest_id_tasting_guests_id_fk`;--> statement-breakpoint
ALTER TABLE `tasting_guests`
	DROP FOREIGN KEY IF EXISTS `tasting_guests_tasting_id_tastings_id_fk`;--> statement-breakpoint
ALTER TABLE `tasting_seats`
	DROP FOREIGN KEY IF EXISTS `tasting_seats_tasting_id_tastings_id_fk`,
	DROP FOREIGN KEY IF EXISTS `tasting_seats_person_id_people_id_fk`;--> statement-breakpoint
ALTER TABLE `tastings`
	DROP FOREIGN KEY IF EXISTS `tastings_site_id_sites_id_fk`,
	DROP FOREIGN KEY IF EXISTS `tastings_tea_id_teas_id_fk`,
	DROP FOREIGN KEY IF EXISTS `tastings_lot_id_lots_id_fk`,
	DROP FOREIGN KEY IF EXISTS `tastings_version_id_recipe_versions_id_fk`,
	DROP FOREIGN KEY IF EXISTS `tastings_after_id_tastings_id_fk`,
	DROP FOREIGN KEY IF EXISTS `tastings_vessel_id_vessels_id_fk`,
	DROP FOREIGN KEY IF EXISTS `tastings_set_by_people_id_fk`;--> statement-breakpoint
ALTER TABLE `tea_fits`
	DROP FOREIGN KEY IF EXISTS `tea_fits_tea_id_teas_id_fk`,
	DROP FOREIGN KEY IF EXISTS `tea_fits_person_id_people_id_fk`;--> statement-breakpoint
ALTER TABLE `recipe_versions`
	DROP FOREIGN KEY IF EXISTS `recipe_versions_tea_id_teas_id_fk`,
	DROP FOREIGN KEY IF EXISTS `recipe_versions_author_id_people_id_fk`,
	DROP FOREIGN KEY IF EXISTS `recipe_versions_taken_by_people_id_fk`;--> statement-breakpoint
ALTER TABLE `vessels`
	DROP FOREIGN KEY IF EXISTS `vessels_site_id_sites_id_fk`;--> statement-breakpoint
ALTER TABLE `audit`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `person_id` uuid,
	MODIFY COLUMN `site_id` uuid;--> statement-breakpoint
ALTER TABLE `batch_events`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `batch_id` uuid NOT NULL,
	MODIFY COLUMN `person_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `batches`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `site_id` uuid NOT NULL,
	MODIFY COLUMN `tea_id` uuid NOT NULL,
	MODIFY COLUMN `lot_id` uuid,
	MODIFY COLUMN `version_id` uuid NOT NULL,
	MODIFY COLUMN `vessel_id` uuid NOT NULL,
	MODIFY COLUMN `started_by` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `brew_events`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `brew_id` uuid NOT NULL,
	MODIFY COLUMN `person_id` uuid;--> statement-breakpoint
ALTER TABLE `brew_photos`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `brew_id` uuid NOT NULL,
	MODIFY COLUMN `person_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `brew_terms`
	MODIFY COLUMN `brew_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `brews`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `site_id` uuid NOT NULL,
	MODIFY COLUMN `tea_id` uuid NOT NULL,
	MODIFY COLUMN `lot_id` uuid,
	MODIFY COLUMN `vessel_id` uuid,
	MODIFY COLUMN `version_id` uuid NOT NULL,
	MODIFY COLUMN `leaf_id` uuid NOT NULL,
	MODIFY COLUMN `paired_id` uuid,
	MODIFY COLUMN `started_by` uuid NOT NULL,
	MODIFY COLUMN `pulled_by` uuid,
	MODIFY COLUMN `judged_by` uuid,
	MODIFY COLUMN `left_out_by` uuid;--> statement-breakpoint
ALTER TABLE `calendar_entries`
	MODIFY COLUMN `site_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `calendar_tokens`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `site_id` uuid NOT NULL,
	MODIFY COLUMN `made_by` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `changes`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `person_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `cold_plans`
	MODIFY COLUMN `site_id` uuid NOT NULL,
	MODIFY COLUMN `changed_by` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `devices`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `site_id` uuid NOT NULL,
	MODIFY COLUMN `code_id` uuid,
	MODIFY COLUMN `added_by` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `drill_answers`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `person_id` uuid,
	MODIFY COLUMN `site_id` uuid;--> statement-breakpoint
ALTER TABLE `feed`
	MODIFY COLUMN `site_id` uuid NOT NULL,
	MODIFY COLUMN `ref` uuid;--> statement-breakpoint
ALTER TABLE `feed_heads`
	MODIFY COLUMN `site_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `fridge_gaps`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `site_id` uuid NOT NULL,
	MODIFY COLUMN `person_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `fridge_readings`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `site_id` uuid NOT NULL,
	MODIFY COLUMN `person_id` uuid,
	MODIFY COLUMN `probe_id` uuid;--> statement-breakpoint
ALTER TABLE `imports`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `person_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `kettle_readings`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `kettle_id` uuid NOT NULL,
	MODIFY COLUMN `boil` uuid NOT NULL,
	MODIFY COLUMN `person_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `kettles`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `site_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `lead_notes`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `tea_id` uuid NOT NULL,
	MODIFY COLUMN `brew_id` uuid,
	MODIFY COLUMN `batch_id` uuid,
	MODIFY COLUMN `person_id` uuid NOT NULL,
	MODIFY COLUMN `settled_by` uuid;--> statement-breakpoint
ALTER TABLE `lot_stock`
	MODIFY COLUMN `lot_id` uuid NOT NULL,
	MODIFY COLUMN `counted_by` uuid;--> statement-breakpoint
ALTER TABLE `lots`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `tea_id` uuid NOT NULL,
	MODIFY COLUMN `version_id` uuid;--> statement-breakpoint
ALTER TABLE `orders`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `site_id` uuid NOT NULL,
	MODIFY COLUMN `tea_id` uuid NOT NULL,
	MODIFY COLUMN `vessel_id` uuid,
	MODIFY COLUMN `brew_id` uuid,
	MODIFY COLUMN `person_id` uuid NOT NULL,
	MODIFY COLUMN `program_id` uuid;--> statement-breakpoint
ALTER TABLE `people`
	MODIFY COLUMN `id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `person_sites`
	MODIFY COLUMN `person_id` uuid NOT NULL,
	MODIFY COLUMN `site_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `photos`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `tea_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `pockets`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `site_id` uuid NOT NULL,
	MODIFY COLUMN `tea_id` uuid NOT NULL,
	MODIFY COLUMN `lot_id` uuid,
	MODIFY COLUMN `person_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `printers`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `site_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `probes`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `site_id` uuid NOT NULL,
	MODIFY COLUMN `added_by` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `program_messages`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `program_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `programs`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `site_id` uuid NOT NULL,
	MODIFY COLUMN `made_by` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `sessions`
	MODIFY COLUMN `person_id` uuid NOT NULL,
	MODIFY COLUMN `site_id` uuid NOT NULL,
	MODIFY COLUMN `device_id` uuid;--> statement-breakpoint
ALTER TABLE `sign_events`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `person_id` uuid NOT NULL,
	MODIFY COLUMN `site_id` uuid NOT NULL,
	MODIFY COLUMN `by_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `site_recipes`
	MODIFY COLUMN `site_id` uuid NOT NULL,
	MODIFY COLUMN `tea_id` uuid NOT NULL,
	MODIFY COLUMN `version_id` uuid NOT NULL,
	MODIFY COLUMN `person_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `sites`
	MODIFY COLUMN `id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `spoon_weighings`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `person_id` uuid NOT NULL,
	MODIFY COLUMN `site_id` uuid NOT NULL,
	MODIFY COLUMN `tea_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `spoons`
	MODIFY COLUMN `id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `tasting_events`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `tasting_id` uuid NOT NULL,
	MODIFY COLUMN `person_id` uuid NOT NULL,
	MODIFY COLUMN `guest_id` uuid;--> statement-breakpoint
ALTER TABLE `tasting_guests`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `tasting_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `tasting_seats`
	MODIFY COLUMN `tasting_id` uuid NOT NULL,
	MODIFY COLUMN `person_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `tastings`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `site_id` uuid NOT NULL,
	MODIFY COLUMN `tea_id` uuid NOT NULL,
	MODIFY COLUMN `lot_id` uuid,
	MODIFY COLUMN `version_id` uuid NOT NULL,
	MODIFY COLUMN `after_id` uuid,
	MODIFY COLUMN `vessel_id` uuid,
	MODIFY COLUMN `set_by` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `tea_fits`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `tea_id` uuid NOT NULL,
	MODIFY COLUMN `person_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `teas`
	MODIFY COLUMN `id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `recipe_versions`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `tea_id` uuid NOT NULL,
	MODIFY COLUMN `author_id` uuid NOT NULL,
	MODIFY COLUMN `taken_by` uuid;--> statement-breakpoint
ALTER TABLE `vessels`
	MODIFY COLUMN `id` uuid NOT NULL,
	MODIFY COLUMN `site_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `batch_events`
	ADD CONSTRAINT `batch_events_batch_id_batches_id_fk` FOREIGN KEY (`batch_id`) REFERENCES `batches`(`id`),
	ADD CONSTRAINT `batch_events_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `batches`
	ADD CONSTRAINT `batches_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`),
	ADD CONSTRAINT `batches_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`),
	ADD CONSTRAINT `batches_lot_id_lots_id_fk` FOREIGN KEY (`lot_id`) REFERENCES `lots`(`id`),
	ADD CONSTRAINT `batches_version_id_recipe_versions_id_fk` FOREIGN KEY (`version_id`) REFERENCES `recipe_versions`(`id`),
	ADD CONSTRAINT `batches_vessel_id_vessels_id_fk` FOREIGN KEY (`vessel_id`) REFERENCES `vessels`(`id`),
	ADD CONSTRAINT `batches_started_by_people_id_fk` FOREIGN KEY (`started_by`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `brew_events`
	ADD CONSTRAINT `brew_events_brew_id_brews_id_fk` FOREIGN KEY (`brew_id`) REFERENCES `brews`(`id`),
	ADD CONSTRAINT `brew_events_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `brew_photos`
	ADD CONSTRAINT `brew_photos_brew_id_brews_id_fk` FOREIGN KEY (`brew_id`) REFERENCES `brews`(`id`),
	ADD CONSTRAINT `brew_photos_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `brew_terms`
	ADD CONSTRAINT `brew_terms_brew_id_brews_id_fk` FOREIGN KEY (`brew_id`) REFERENCES `brews`(`id`);--> statement-breakpoint
ALTER TABLE `brews`
	ADD CONSTRAINT `brews_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`),
	ADD CONSTRAINT `brews_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`),
	ADD CONSTRAINT `brews_lot_id_lots_id_fk` FOREIGN KEY (`lot_id`) REFERENCES `lots`(`id`),
	ADD CONSTRAINT `brews_vessel_id_vessels_id_fk` FOREIGN KEY (`vessel_id`) REFERENCES `vessels`(`id`),
	ADD CONSTRAINT `brews_version_id_recipe_versions_id_fk` FOREIGN KEY (`version_id`) REFERENCES `recipe_versions`(`id`),
	ADD CONSTRAINT `brews_started_by_people_id_fk` FOREIGN KEY (`started_by`) REFERENCES `people`(`id`),
	ADD CONSTRAINT `brews_pulled_by_people_id_fk` FOREIGN KEY (`pulled_by`) REFERENCES `people`(`id`),
	ADD CONSTRAINT `brews_judged_by_people_id_fk` FOREIGN KEY (`judged_by`) REFERENCES `people`(`id`),
	ADD CONSTRAINT `brews_left_out_by_people_id_fk` FOREIGN KEY (`left_out_by`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `calendar_entries`
	ADD CONSTRAINT `calendar_entries_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`);--> statement-breakpoint
ALTER TABLE `calendar_tokens`
	ADD CONSTRAINT `calendar_tokens_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`),
	ADD CONSTRAINT `calendar_tokens_made_by_people_id_fk` FOREIGN KEY (`made_by`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `changes`
	ADD CONSTRAINT `changes_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `cold_plans`
	ADD CONSTRAINT `cold_plans_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`),
	ADD CONSTRAINT `cold_plans_changed_by_people_id_fk` FOREIGN KEY (`changed_by`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `devices`
	ADD CONSTRAINT `devices_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`),
	ADD CONSTRAINT `devices_added_by_people_id_fk` FOREIGN KEY (`added_by`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `drill_answers`
	ADD CONSTRAINT `drill_answers_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`),
	ADD CONSTRAINT `drill_answers_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`);--> statement-breakpoint
ALTER TABLE `fridge_gaps`
	ADD CONSTRAINT `fridge_gaps_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`),
	ADD CONSTRAINT `fridge_gaps_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `fridge_readings`
	ADD CONSTRAINT `fridge_readings_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`),
	ADD CONSTRAINT `fridge_readings_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`),
	ADD CONSTRAINT `fridge_readings_probe_id_probes_id_fk` FOREIGN KEY (`probe_id`) REFERENCES `probes`(`id`);--> statement-breakpoint
ALTER TABLE `imports`
	ADD CONSTRAINT `imports_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `kettle_readings`
	ADD CONSTRAINT `kettle_readings_kettle_id_kettles_id_fk` FOREIGN KEY (`kettle_id`) REFERENCES `kettles`(`id`),
	ADD CONSTRAINT `kettle_readings_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `kettles`
	ADD CONSTRAINT `kettles_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`);--> statement-breakpoint
ALTER TABLE `lead_notes`
	ADD CONSTRAINT `lead_notes_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`),
	ADD CONSTRAINT `lead_notes_brew_id_brews_id_fk` FOREIGN KEY (`brew_id`) REFERENCES `brews`(`id`),
	ADD CONSTRAINT `lead_notes_batch_id_batches_id_fk` FOREIGN KEY (`batch_id`) REFERENCES `batches`(`id`),
	ADD CONSTRAINT `lead_notes_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`),
	ADD CONSTRAINT `lead_notes_settled_by_people_id_fk` FOREIGN KEY (`settled_by`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `lot_stock`
	ADD CONSTRAINT `lot_stock_lot_id_lots_id_fk` FOREIGN KEY (`lot_id`) REFERENCES `lots`(`id`),
	ADD CONSTRAINT `lot_stock_counted_by_people_id_fk` FOREIGN KEY (`counted_by`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `lots`
	ADD CONSTRAINT `lots_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`),
	ADD CONSTRAINT `lots_version_id_recipe_versions_id_fk` FOREIGN KEY (`version_id`) REFERENCES `recipe_versions`(`id`);--> statement-breakpoint
ALTER TABLE `orders`
	ADD CONSTRAINT `orders_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`),
	ADD CONSTRAINT `orders_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`),
	ADD CONSTRAINT `orders_vessel_id_vessels_id_fk` FOREIGN KEY (`vessel_id`) REFERENCES `vessels`(`id`),
	ADD CONSTRAINT `orders_brew_id_brews_id_fk` FOREIGN KEY (`brew_id`) REFERENCES `brews`(`id`),
	ADD CONSTRAINT `orders_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`),
	ADD CONSTRAINT `orders_program_id_programs_id_fk` FOREIGN KEY (`program_id`) REFERENCES `programs`(`id`);--> statement-breakpoint
ALTER TABLE `person_sites`
	ADD CONSTRAINT `person_sites_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`),
	ADD CONSTRAINT `person_sites_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`);--> statement-breakpoint
ALTER TABLE `photos`
	ADD CONSTRAINT `photos_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`);--> statement-breakpoint
ALTER TABLE `pockets`
	ADD CONSTRAINT `pockets_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`),
	ADD CONSTRAINT `pockets_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`),
	ADD CONSTRAINT `pockets_lot_id_lots_id_fk` FOREIGN KEY (`lot_id`) REFERENCES `lots`(`id`),
	ADD CONSTRAINT `pockets_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `printers`
	ADD CONSTRAINT `printers_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`);--> statement-breakpoint
ALTER TABLE `probes`
	ADD CONSTRAINT `probes_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`),
	ADD CONSTRAINT `probes_added_by_people_id_fk` FOREIGN KEY (`added_by`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `program_messages`
	ADD CONSTRAINT `program_messages_program_id_programs_id_fk` FOREIGN KEY (`program_id`) REFERENCES `programs`(`id`);--> statement-breakpoint
ALTER TABLE `programs`
	ADD CONSTRAINT `programs_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`),
	ADD CONSTRAINT `programs_made_by_people_id_fk` FOREIGN KEY (`made_by`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `sessions`
	ADD CONSTRAINT `sessions_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`),
	ADD CONSTRAINT `sessions_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`),
	ADD CONSTRAINT `sessions_device_id_devices_id_fk` FOREIGN KEY (`device_id`) REFERENCES `devices`(`id`);--> statement-breakpoint
ALTER TABLE `sign_events`
	ADD CONSTRAINT `sign_events_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`),
	ADD CONSTRAINT `sign_events_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`),
	ADD CONSTRAINT `sign_events_by_id_people_id_fk` FOREIGN KEY (`by_id`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `site_recipes`
	ADD CONSTRAINT `site_recipes_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`),
	ADD CONSTRAINT `site_recipes_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`),
	ADD CONSTRAINT `site_recipes_version_id_recipe_versions_id_fk` FOREIGN KEY (`version_id`) REFERENCES `recipe_versions`(`id`),
	ADD CONSTRAINT `site_recipes_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `spoon_weighings`
	ADD CONSTRAINT `spoon_weighings_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`),
	ADD CONSTRAINT `spoon_weighings_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`),
	ADD CONSTRAINT `spoon_weighings_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`);--> statement-breakpoint
ALTER TABLE `tasting_events`
	ADD CONSTRAINT `tasting_events_tasting_id_tastings_id_fk` FOREIGN KEY (`tasting_id`) REFERENCES `tastings`(`id`),
	ADD CONSTRAINT `tasting_events_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`),
	ADD CONSTRAINT `tasting_events_guest_id_tasting_guests_id_fk` FOREIGN KEY (`guest_id`) REFERENCES `tasting_guests`(`id`);--> statement-breakpoint
ALTER TABLE `tasting_guests`
	ADD CONSTRAINT `tasting_guests_tasting_id_tastings_id_fk` FOREIGN KEY (`tasting_id`) REFERENCES `tastings`(`id`);--> statement-breakpoint
ALTER TABLE `tasting_seats`
	ADD CONSTRAINT `tasting_seats_tasting_id_tastings_id_fk` FOREIGN KEY (`tasting_id`) REFERENCES `tastings`(`id`),
	ADD CONSTRAINT `tasting_seats_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `tastings`
	ADD CONSTRAINT `tastings_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`),
	ADD CONSTRAINT `tastings_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`),
	ADD CONSTRAINT `tastings_lot_id_lots_id_fk` FOREIGN KEY (`lot_id`) REFERENCES `lots`(`id`),
	ADD CONSTRAINT `tastings_version_id_recipe_versions_id_fk` FOREIGN KEY (`version_id`) REFERENCES `recipe_versions`(`id`),
	ADD CONSTRAINT `tastings_after_id_tastings_id_fk` FOREIGN KEY (`after_id`) REFERENCES `tastings`(`id`),
	ADD CONSTRAINT `tastings_vessel_id_vessels_id_fk` FOREIGN KEY (`vessel_id`) REFERENCES `vessels`(`id`),
	ADD CONSTRAINT `tastings_set_by_people_id_fk` FOREIGN KEY (`set_by`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `tea_fits`
	ADD CONSTRAINT `tea_fits_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`),
	ADD CONSTRAINT `tea_fits_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `recipe_versions`
	ADD CONSTRAINT `recipe_versions_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`),
	ADD CONSTRAINT `recipe_versions_author_id_people_id_fk` FOREIGN KEY (`author_id`) REFERENCES `people`(`id`),
	ADD CONSTRAINT `recipe_versions_taken_by_people_id_fk` FOREIGN KEY (`taken_by`) REFERENCES `people`(`id`);--> statement-breakpoint
ALTER TABLE `vessels`
	ADD CONSTRAINT `vessels_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`);--> statement-breakpoint
SET SESSION foreign_key_checks = 1;
