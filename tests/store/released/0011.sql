BEGIN TRANSACTION;
CREATE TABLE alembic_version (
	version_num VARCHAR(32) NOT NULL, 
	CONSTRAINT alembic_version_pkc PRIMARY KEY (version_num)
);
INSERT INTO "alembic_version" VALUES('0011');
CREATE TABLE alias (
	id INTEGER NOT NULL, 
	ingredient VARCHAR NOT NULL, 
	alias VARCHAR NOT NULL, 
	place VARCHAR NOT NULL, 
	CONSTRAINT pk_alias PRIMARY KEY (id), 
	CONSTRAINT fk_alias_ingredient_ingredient FOREIGN KEY(ingredient) REFERENCES ingredient (slug)
);
INSERT INTO "alias" VALUES(1,'corn-starch','cornflour','UK');
INSERT INTO "alias" VALUES(2,'corn-starch','maize starch','');
INSERT INTO "alias" VALUES(3,'tapioca-starch','tapioca flour','');
INSERT INTO "alias" VALUES(4,'tapioca-starch','cassava starch','');
INSERT INTO "alias" VALUES(5,'cassava-flour','whole cassava flour','');
INSERT INTO "alias" VALUES(6,'cassava-flour','manioc flour','');
INSERT INTO "alias" VALUES(7,'cassava-flour','yuca flour','');
INSERT INTO "alias" VALUES(10,'potato-starch','potato starch flour','');
INSERT INTO "alias" VALUES(12,'glutinous-rice-flour','sweet rice flour','');
INSERT INTO "alias" VALUES(13,'glutinous-rice-flour','sticky rice flour','');
INSERT INTO "alias" VALUES(14,'glutinous-rice-flour','waxy rice flour','');
INSERT INTO "alias" VALUES(15,'sorghum-flour','jowar flour','India');
INSERT INTO "alias" VALUES(16,'sorghum-flour','milo flour','');
INSERT INTO "alias" VALUES(17,'millet-flour','proso millet flour','');
INSERT INTO "alias" VALUES(20,'chickpea-flour','gram flour','UK');
INSERT INTO "alias" VALUES(21,'chickpea-flour','garbanzo flour','US');
INSERT INTO "alias" VALUES(22,'chickpea-flour','besan','India');
INSERT INTO "alias" VALUES(27,'psyllium-husk','ispaghula husk','');
INSERT INTO "alias" VALUES(28,'psyllium-husk','whole psyllium','');
INSERT INTO "alias" VALUES(29,'psyllium-husk','isabgol','India');
INSERT INTO "alias" VALUES(35,'xanthan-gum','E415','EU');
INSERT INTO "alias" VALUES(36,'guar-gum','E412','EU');
INSERT INTO "alias" VALUES(37,'ground-flaxseed','linseed meal','UK');
INSERT INTO "alias" VALUES(38,'ground-flaxseed','milled linseed','UK');
INSERT INTO "alias" VALUES(40,'almond-flour','ground almonds','UK');
CREATE TABLE bag (
	id INTEGER NOT NULL, 
	batch_id INTEGER NOT NULL, 
	number INTEGER NOT NULL, 
	is_bin BOOLEAN NOT NULL, 
	size_g FLOAT NOT NULL, 
	net_g FLOAT NOT NULL, 
	left_g FLOAT NOT NULL, 
	place VARCHAR NOT NULL, 
	opened_on VARCHAR, 
	emptied_on VARCHAR, 
	cleaned_on VARCHAR, 
	version INTEGER NOT NULL, bin_id INTEGER REFERENCES bin(id), 
	CONSTRAINT pk_bag PRIMARY KEY (id), 
	CONSTRAINT uq_bag_batch_id UNIQUE (batch_id, number), 
	CONSTRAINT fk_bag_batch_id_batch FOREIGN KEY(batch_id) REFERENCES batch (id)
);
INSERT INTO "bag" VALUES(1,1,1,0,500.0,480.0,380.0,'shelf 2',NULL,NULL,NULL,3,NULL);
CREATE TABLE batch (
	id INTEGER NOT NULL, 
	code VARCHAR NOT NULL, 
	blend_id INTEGER, 
	revision INTEGER NOT NULL, 
	name VARCHAR NOT NULL, 
	use VARCHAR, 
	parts JSON NOT NULL, 
	wanted JSON NOT NULL, 
	targets JSON NOT NULL, 
	making JSON NOT NULL, 
	state VARCHAR NOT NULL, 
	made_on VARCHAR NOT NULL, 
	note VARCHAR NOT NULL, 
	archived BOOLEAN NOT NULL, 
	created_at VARCHAR NOT NULL, 
	updated_at VARCHAR NOT NULL, 
	version INTEGER NOT NULL, 
	CONSTRAINT pk_batch PRIMARY KEY (id), 
	CONSTRAINT fk_batch_blend_id_blend FOREIGN KEY(blend_id) REFERENCES blend (id)
);
INSERT INTO "batch" VALUES(1,'26071-1-2',8,1,'Everyday buffet mix','all-purpose','[{"ingredient": "sorghum-flour", "mass_g": 250.0}, {"ingredient": "brown-rice-flour", "mass_g": 200.0}, {"ingredient": "oat-flour", "mass_g": 130.0}, {"ingredient": "potato-starch", "mass_g": 200.0}, {"ingredient": "tapioca-starch", "mass_g": 130.0}, {"ingredient": "chickpea-flour", "mass_g": 60.0}, {"ingredient": "xanthan-gum", "mass_g": 5.0}]','{"bags": 2, "bag_g": 500.0, "total_g": null, "loss_pct": 1.0}','{"sorghum-flour": 259.0, "brown-rice-flour": 207.0, "oat-flour": 135.0, "potato-starch": 207.0, "tapioca-starch": 135.0, "chickpea-flour": 62.0, "xanthan-gum": 5.180005180005181}','{"blender": "bowl-whisk", "vessel_l": null, "scale": "Simulated scale", "step_g": 1.0, "capacity_g": 5000.0, "container_g": 0.0}','bagged','2026-03-12','',0,'2026-03-12T09:00:00Z','2026-03-12T09:00:00Z',3);
CREATE TABLE batch_step (
	id INTEGER NOT NULL, 
	batch_id INTEGER NOT NULL, 
	kind VARCHAR NOT NULL, 
	minutes FLOAT, 
	said JSON NOT NULL, 
	note VARCHAR NOT NULL, 
	at VARCHAR NOT NULL, 
	CONSTRAINT pk_batch_step PRIMARY KEY (id), 
	CONSTRAINT fk_batch_step_batch_id_batch FOREIGN KEY(batch_id) REFERENCES batch (id)
);
INSERT INTO "batch_step" VALUES(1,1,'mix',3.0,'{}','','2026-03-12T09:00:00Z');
CREATE TABLE bench_test (
	id INTEGER NOT NULL, 
	kind VARCHAR NOT NULL, 
	ingredient VARCHAR, 
	lot_id INTEGER, 
	taken_on VARCHAR NOT NULL, 
	note VARCHAR NOT NULL, 
	readings JSON NOT NULL, 
	gives JSON NOT NULL, 
	withdrawn BOOLEAN NOT NULL, 
	created_at VARCHAR NOT NULL, 
	CONSTRAINT pk_bench_test PRIMARY KEY (id), 
	CONSTRAINT fk_bench_test_ingredient_ingredient FOREIGN KEY(ingredient) REFERENCES ingredient (slug), 
	CONSTRAINT fk_bench_test_lot_id_lot FOREIGN KEY(lot_id) REFERENCES lot (id)
);
INSERT INTO "bench_test" VALUES(1,'scale',NULL,NULL,'2026-02-12','','{"kind": "scale", "readings_g": [8, 8, 8, 7, 8, 8, 8, 9, 8, 8], "readability_g": 1.0}','{}',0,'2026-02-12T09:30:00Z');
INSERT INTO "bench_test" VALUES(2,'water','teff-flour',6,'2026-03-02','The mill has dressed its stones since the last lot.','{"kind": "water", "runs": [{"flour_g": 50, "drained_g": 165}, {"flour_g": 50, "drained_g": 167}, {"flour_g": 50, "drained_g": 166}], "cloth_dry_g": 12, "cloth_wet_g": 40}','{"thirst_g_per_g": [1.47031724576499, 1.52, 1.56968275423501, "measured", "water taken up, 3 runs less the blank", "2026-03-02"]}',0,'2026-03-02T09:30:00Z');
INSERT INTO "bench_test" VALUES(3,'cup','sorghum-flour',4,'2026-03-03','','{"kind": "cup", "net_g": [141, 138, 143], "cup_ml": 250, "way": "spooned"}','{"density_g_per_ml": [0.512653790831661, 0.562666666666667, 0.612679542501673, "measured", "cup weight, 3 cups spooned in", "2026-03-03"]}',0,'2026-03-03T09:30:00Z');
INSERT INTO "bench_test" VALUES(4,'sieve','sorghum-flour',4,'2026-03-03','Coarser than it feels.','{"kind": "sieve", "start_g": 100, "stack": [{"opening_um": 500, "mass_g": 1}, {"opening_um": 355, "mass_g": 5}, {"opening_um": 250, "mass_g": 17}, {"opening_um": 180, "mass_g": 24}, {"opening_um": 125, "mass_g": 25}, {"opening_um": 0, "mass_g": 27}]}','{"grit_index": [3.01707045184501, 3.51707045184501, 4.01707045184501, "measured", "sieve grading, d\u2089\u2080 328 \u00b5m", "2026-03-03"]}',0,'2026-03-03T09:30:00Z');
INSERT INTO "bench_test" VALUES(5,'water','brown-rice-flour',NULL,'2026-03-05','','{"kind": "water", "runs": [{"flour_g": 50, "drained_g": 153}, {"flour_g": 50, "drained_g": 155}, {"flour_g": 50, "drained_g": 155}], "cloth_dry_g": 12, "cloth_wet_g": 41}','{"thirst_g_per_g": [1.20929796360334, 1.26666666666667, 1.32403536972999, "measured", "water taken up, 3 runs less the blank", "2026-03-05"]}',0,'2026-03-05T09:30:00Z');
CREATE TABLE bin (
	id INTEGER NOT NULL, 
	name VARCHAR NOT NULL, 
	place VARCHAR NOT NULL, 
	capacity_g FLOAT, 
	tare_g FLOAT, 
	cleaned_at VARCHAR NOT NULL, 
	archived BOOLEAN NOT NULL, 
	version INTEGER NOT NULL, 
	CONSTRAINT pk_bin PRIMARY KEY (id), 
	CONSTRAINT uq_bin_name UNIQUE (name)
);
INSERT INTO "bin" VALUES(1,'Bin A','shelf 1',4000.0,620.0,'2026-03-14T09:30:00Z',0,1);
INSERT INTO "bin" VALUES(2,'Crock','by the oven',NULL,NULL,'',0,1);
CREATE TABLE blend (
	id INTEGER NOT NULL, 
	brief_id INTEGER, 
	name VARCHAR NOT NULL, 
	archived BOOLEAN NOT NULL, 
	created_at VARCHAR NOT NULL, 
	updated_at VARCHAR NOT NULL, 
	version INTEGER NOT NULL, 
	CONSTRAINT pk_blend PRIMARY KEY (id), 
	CONSTRAINT fk_blend_brief_id_brief FOREIGN KEY(brief_id) REFERENCES brief (id)
);
INSERT INTO "blend" VALUES(1,1,'Summit mix',0,'2026-02-21T09:30:00Z','2026-02-21T09:30:00Z',1);
INSERT INTO "blend" VALUES(2,1,'Summit mix, pale',0,'2026-02-23T09:30:00Z','2026-02-23T09:30:00Z',1);
INSERT INTO "blend" VALUES(3,1,'Summit mix with almond',0,'2026-02-25T09:30:00Z','2026-02-25T09:30:00Z',1);
INSERT INTO "blend" VALUES(4,2,'Viaduct seed crisp',0,'2026-02-27T09:30:00Z','2026-02-27T09:30:00Z',1);
INSERT INTO "blend" VALUES(5,2,'Viaduct plain',0,'2026-03-01T09:30:00Z','2026-03-01T09:30:00Z',1);
INSERT INTO "blend" VALUES(6,3,'Trolley short mix',0,'2026-03-03T09:30:00Z','2026-03-03T09:30:00Z',1);
INSERT INTO "blend" VALUES(7,4,'Dumpling sheet mix',0,'2026-03-05T09:30:00Z','2026-03-05T09:30:00Z',1);
INSERT INTO "blend" VALUES(8,NULL,'Everyday buffet mix',0,'2026-03-07T09:30:00Z','2026-03-07T09:30:00Z',1);
CREATE TABLE brief (
	id INTEGER NOT NULL, 
	name VARCHAR NOT NULL, 
	use VARCHAR NOT NULL, 
	eaters VARCHAR NOT NULL, 
	aim VARCHAR NOT NULL, 
	note VARCHAR NOT NULL, 
	limits JSON NOT NULL, 
	archived BOOLEAN NOT NULL, 
	created_at VARCHAR NOT NULL, 
	updated_at VARCHAR NOT NULL, 
	version INTEGER NOT NULL, 
	CONSTRAINT pk_brief PRIMARY KEY (id)
);
INSERT INTO "brief" VALUES(1,'Summit tin loaf','tin-loaf','coeliac walkers, egg-free and soya-free','nearest','Sliced at the top station, toasted the day after. Must hold a spread.','{"exclude_allergens": ["egg", "soya"], "price_cap_per_kg": 4.2, "bands": [{"metric": "fibre_pct", "good_low": 6.0}]}',0,'2026-02-12T09:30:00Z','2026-02-12T09:30:00Z',1);
INSERT INTO "brief" VALUES(2,'Viaduct crispbread','crispbread','everyone at the buffet, nut-free','more-fibre','Baked flat on sheets, two days ahead, for cheese.','{"exclude_allergens": ["tree-nuts"], "max_bins": 7, "bands": [{"metric": "fibre_pct", "good_low": 8.0}]}',0,'2026-02-12T09:30:00Z','2026-02-12T09:30:00Z',1);
INSERT INTO "brief" VALUES(3,'Trolley short pastry','short-pastry','the trolley''s pie eaters, buckwheat-free','nearest','Hand pies for the down train: rolled thin, must not crack at the crimp.','{"exclude_allergens": ["buckwheat"], "price_cap_per_kg": 4.0}',0,'2026-02-12T09:30:00Z','2026-02-12T09:30:00Z',1);
INSERT INTO "brief" VALUES(4,'Night-train dumpling sheets','fresh-pasta','sleeper passengers, egg-free','more-protein','Rolled to 1.5 mm in the galley, boiled from chilled.','{"exclude_allergens": ["egg"], "max_bins": 6}',0,'2026-02-12T09:30:00Z','2026-02-12T09:30:00Z',1);
CREATE TABLE draft (
	blend_id INTEGER NOT NULL, 
	based_on INTEGER, 
	updated_at VARCHAR NOT NULL, 
	version INTEGER NOT NULL, content JSON DEFAULT '{}' NOT NULL, 
	CONSTRAINT pk_draft PRIMARY KEY (blend_id), 
	CONSTRAINT fk_draft_blend_id_blend FOREIGN KEY(blend_id) REFERENCES blend (id)
);
INSERT INTO "draft" VALUES(1,4,'2026-02-21T09:30:00Z',10,'{"use": "tin-loaf", "parts": [{"ingredient": "sorghum-flour", "mass_g": 290.0, "locked": false}, {"ingredient": "brown-rice-flour", "mass_g": 140.0, "locked": false}, {"ingredient": "teff-flour", "mass_g": 120.0, "locked": false}, {"ingredient": "chickpea-flour", "mass_g": 80.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 220.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 150.0, "locked": false}, {"ingredient": "psyllium-husk", "mass_g": 50.0, "locked": true}]}');
INSERT INTO "draft" VALUES(2,1,'2026-02-23T12:30:00Z',3,'{"use": "tin-loaf", "parts": [{"ingredient": "white-rice-flour", "mass_g": 480.0, "locked": false}, {"ingredient": "corn-starch", "mass_g": 240.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 280.0, "locked": false}, {"ingredient": "xanthan-gum", "mass_g": 12.0, "locked": false}]}');
INSERT INTO "draft" VALUES(3,1,'2026-02-25T12:30:00Z',3,'{"use": "tin-loaf", "parts": [{"ingredient": "sorghum-flour", "mass_g": 280.0, "locked": false}, {"ingredient": "brown-rice-flour", "mass_g": 150.0, "locked": false}, {"ingredient": "teff-flour", "mass_g": 100.0, "locked": false}, {"ingredient": "almond-flour", "mass_g": 120.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 200.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 150.0, "locked": false}, {"ingredient": "psyllium-husk", "mass_g": 50.0, "locked": false}]}');
INSERT INTO "draft" VALUES(4,2,'2026-03-01T12:30:00Z',5,'{"use": "crispbread", "parts": [{"ingredient": "buckwheat-flour", "mass_g": 280.0, "locked": false}, {"ingredient": "sorghum-flour", "mass_g": 220.0, "locked": false}, {"ingredient": "sunflower-seed-flour", "mass_g": 150.0, "locked": false}, {"ingredient": "ground-flaxseed", "mass_g": 40.0, "locked": false}, {"ingredient": "millet-flour", "mass_g": 160.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 150.0, "locked": false}]}');
INSERT INTO "draft" VALUES(5,1,'2026-03-01T12:30:00Z',3,'{"use": "crispbread", "parts": [{"ingredient": "white-rice-flour", "mass_g": 420.0, "locked": false}, {"ingredient": "millet-flour", "mass_g": 250.0, "locked": false}, {"ingredient": "corn-starch", "mass_g": 330.0, "locked": false}]}');
INSERT INTO "draft" VALUES(6,2,'2026-03-05T12:30:00Z',5,'{"use": "short-pastry", "parts": [{"ingredient": "sorghum-flour", "mass_g": 260.0, "locked": false}, {"ingredient": "oat-flour", "mass_g": 160.0, "locked": false}, {"ingredient": "white-rice-flour", "mass_g": 140.0, "locked": false}, {"ingredient": "corn-starch", "mass_g": 280.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 110.0, "locked": false}, {"ingredient": "chickpea-flour", "mass_g": 50.0, "locked": false}, {"ingredient": "xanthan-gum", "mass_g": 6.0, "locked": false}]}');
INSERT INTO "draft" VALUES(7,1,'2026-03-05T09:30:00Z',4,'{"use": "fresh-pasta", "parts": [{"ingredient": "brown-rice-flour", "mass_g": 120.0, "locked": false}, {"ingredient": "sorghum-flour", "mass_g": 260.0, "locked": false}, {"ingredient": "oat-flour", "mass_g": 100.0, "locked": false}, {"ingredient": "chickpea-flour", "mass_g": 150.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 190.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 160.0, "locked": false}, {"ingredient": "xanthan-gum", "mass_g": 15.0, "locked": false}]}');
INSERT INTO "draft" VALUES(8,1,'2026-03-07T12:30:00Z',3,'{"use": "all-purpose", "parts": [{"ingredient": "sorghum-flour", "mass_g": 250.0, "locked": false, "lot_id": 4}, {"ingredient": "brown-rice-flour", "mass_g": 200.0, "locked": false}, {"ingredient": "oat-flour", "mass_g": 130.0, "locked": false, "lot_id": 9}, {"ingredient": "potato-starch", "mass_g": 200.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 130.0, "locked": false}, {"ingredient": "chickpea-flour", "mass_g": 60.0, "locked": false}, {"ingredient": "xanthan-gum", "mass_g": 5.0, "locked": false}]}');
CREATE TABLE drill (
	id INTEGER NOT NULL, 
	lot_id INTEGER NOT NULL, 
	begun_at VARCHAR NOT NULL, 
	ended_at VARCHAR NOT NULL, 
	found_g FLOAT, 
	wanted_g FLOAT, 
	missing VARCHAR NOT NULL, 
	CONSTRAINT pk_drill PRIMARY KEY (id), 
	CONSTRAINT fk_drill_lot_id_lot FOREIGN KEY(lot_id) REFERENCES lot (id)
);
CREATE TABLE experiment (
	id INTEGER NOT NULL, 
	name VARCHAR NOT NULL, 
	formula_id INTEGER NOT NULL, 
	content JSON NOT NULL, 
	asked JSON NOT NULL, 
	blend_id INTEGER, 
	note VARCHAR NOT NULL, 
	created_at VARCHAR NOT NULL, 
	updated_at VARCHAR NOT NULL, 
	archived BOOLEAN NOT NULL, 
	version INTEGER NOT NULL, 
	CONSTRAINT pk_experiment PRIMARY KEY (id), 
	CONSTRAINT fk_experiment_formula_id_formula FOREIGN KEY(formula_id) REFERENCES formula (id), 
	CONSTRAINT fk_experiment_blend_id_blend FOREIGN KEY(blend_id) REFERENCES blend (id)
);
INSERT INTO "experiment" VALUES(1,'Best three',1,'{"use": "tin-loaf", "consistency": "soft", "school": null, "pieces": 2, "pan": null, "method": "", "portion": null, "blend": {"blend_id": 1, "revision": 3, "name": "Summit mix", "parts": [{"ingredient": "sorghum-flour", "mass_g": 300.0, "locked": false}, {"ingredient": "brown-rice-flour", "mass_g": 180.0, "locked": false}, {"ingredient": "teff-flour", "mass_g": 100.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 250.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 170.0, "locked": false}, {"ingredient": "psyllium-husk", "mass_g": 50.0, "locked": true}]}, "lines": [{"ingredient": "@blend", "mass_g": 1000, "stage": "dry", "note": ""}, {"ingredient": "water", "mass_g": 830, "stage": "wet", "note": "tepid"}, {"ingredient": "salt", "mass_g": 18, "stage": "dry", "note": ""}]}','{"parts": [{"name": "A", "ratio": {"sorghum-flour": 1.0}, "low_pct": 10.0, "high_pct": 40.0}, {"name": "B", "ratio": {"potato-starch": 1.0}, "low_pct": 10.0, "high_pct": 40.0}]}',NULL,'','2026-03-11T09:00:00Z','2026-03-11T09:00:00Z',0,1);
CREATE TABLE experiment_run (
	experiment_id INTEGER NOT NULL, 
	number INTEGER NOT NULL, 
	day INTEGER NOT NULL, 
	x JSON NOT NULL, 
	replicate_of INTEGER, 
	asked_by VARCHAR NOT NULL, 
	trial_id INTEGER, 
	value FLOAT, 
	se FLOAT, 
	failed BOOLEAN NOT NULL, 
	seen VARCHAR NOT NULL, 
	CONSTRAINT pk_experiment_run PRIMARY KEY (experiment_id, number), 
	CONSTRAINT fk_experiment_run_experiment_id_experiment FOREIGN KEY(experiment_id) REFERENCES experiment (id), 
	CONSTRAINT fk_experiment_run_trial_id_trial FOREIGN KEY(trial_id) REFERENCES trial (id)
);
INSERT INTO "experiment_run" VALUES(1,1,1,'[0.5, 0.5]',NULL,'plan',NULL,6.4,0.4,0,'today');
CREATE TABLE feeding (
	id INTEGER NOT NULL, 
	starter_id INTEGER NOT NULL, 
	fed_at VARCHAR NOT NULL, 
	seed_g FLOAT NOT NULL, 
	flour_g FLOAT NOT NULL, 
	water_g FLOAT NOT NULL, 
	temp_c FLOAT NOT NULL, 
	peaked_at VARCHAR, 
	chilled_at VARCHAR, 
	note VARCHAR NOT NULL, 
	withdrawn BOOLEAN NOT NULL, 
	CONSTRAINT pk_feeding PRIMARY KEY (id), 
	CONSTRAINT fk_feeding_starter_id_starter FOREIGN KEY(starter_id) REFERENCES starter (id)
);
CREATE TABLE formula (
	id INTEGER NOT NULL, 
	brief_id INTEGER, 
	name VARCHAR NOT NULL, 
	archived BOOLEAN NOT NULL, 
	created_at VARCHAR NOT NULL, 
	updated_at VARCHAR NOT NULL, 
	version INTEGER NOT NULL, 
	CONSTRAINT pk_formula PRIMARY KEY (id), 
	CONSTRAINT fk_formula_brief_id_brief FOREIGN KEY(brief_id) REFERENCES brief (id)
);
INSERT INTO "formula" VALUES(1,1,'Summit tin loaf',0,'2026-03-01T08:00:00Z','2026-03-01T08:00:00Z',1);
CREATE TABLE formula_draft (
	formula_id INTEGER NOT NULL, 
	content JSON NOT NULL, 
	based_on INTEGER, 
	updated_at VARCHAR NOT NULL, 
	version INTEGER NOT NULL, 
	CONSTRAINT pk_formula_draft PRIMARY KEY (formula_id), 
	CONSTRAINT fk_formula_draft_formula_id_formula FOREIGN KEY(formula_id) REFERENCES formula (id)
);
INSERT INTO "formula_draft" VALUES(1,'{"use": "tin-loaf", "consistency": "soft", "school": null, "pieces": 2, "pan": null, "method": "", "blend": {"blend_id": 1, "revision": 3, "name": "Summit mix", "parts": [{"ingredient": "sorghum-flour", "mass_g": 300.0, "locked": false}, {"ingredient": "brown-rice-flour", "mass_g": 180.0, "locked": false}, {"ingredient": "teff-flour", "mass_g": 100.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 250.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 170.0, "locked": false}, {"ingredient": "psyllium-husk", "mass_g": 50.0, "locked": true}]}, "lines": [{"ingredient": "@blend", "mass_g": 1000, "stage": "dry", "note": ""}, {"ingredient": "water", "mass_g": 830, "stage": "wet", "note": "tepid"}, {"ingredient": "salt", "mass_g": 18, "stage": "dry", "note": ""}]}',1,'2026-03-02T08:00:00Z',2);
CREATE TABLE formula_revision (
	id INTEGER NOT NULL, 
	formula_id INTEGER NOT NULL, 
	number INTEGER NOT NULL, 
	content JSON NOT NULL, 
	why VARCHAR NOT NULL, 
	based_on INTEGER, 
	kept_at VARCHAR NOT NULL, 
	CONSTRAINT pk_formula_revision PRIMARY KEY (id), 
	CONSTRAINT fk_formula_revision_formula_id_formula FOREIGN KEY(formula_id) REFERENCES formula (id), 
	CONSTRAINT uq_formula_revision_formula_id_number UNIQUE (formula_id, number)
);
INSERT INTO "formula_revision" VALUES(1,1,1,'{"use": "tin-loaf", "consistency": "soft", "school": null, "pieces": 2, "pan": null, "method": "", "blend": {"blend_id": 1, "revision": 3, "name": "Summit mix", "parts": [{"ingredient": "sorghum-flour", "mass_g": 300.0, "locked": false}, {"ingredient": "brown-rice-flour", "mass_g": 180.0, "locked": false}, {"ingredient": "teff-flour", "mass_g": 100.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 250.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 170.0, "locked": false}, {"ingredient": "psyllium-husk", "mass_g": 50.0, "locked": true}]}, "lines": [{"ingredient": "@blend", "mass_g": 1000, "stage": "dry", "note": ""}, {"ingredient": "water", "mass_g": 830, "stage": "wet", "note": "tepid"}, {"ingredient": "salt", "mass_g": 18, "stage": "dry", "note": ""}]}','The first that held.',NULL,'2026-03-02T08:00:00Z');
CREATE TABLE hold (
	id INTEGER NOT NULL, 
	lot_id INTEGER, 
	batch_id INTEGER, 
	with_lot_id INTEGER, 
	since VARCHAR NOT NULL, 
	why VARCHAR NOT NULL, 
	recalled BOOLEAN NOT NULL, 
	released_at VARCHAR NOT NULL, 
	released_why VARCHAR NOT NULL, 
	CONSTRAINT pk_hold PRIMARY KEY (id), 
	CONSTRAINT fk_hold_lot_id_lot FOREIGN KEY(lot_id) REFERENCES lot (id), 
	CONSTRAINT fk_hold_batch_id_batch FOREIGN KEY(batch_id) REFERENCES batch (id), 
	CONSTRAINT fk_hold_with_lot_id_lot FOREIGN KEY(with_lot_id) REFERENCES lot (id)
);
INSERT INTO "hold" VALUES(1,NULL,1,NULL,'2026-03-12T09:00:00Z','a drill found a torn bag',0,'','');
CREATE TABLE ingredient (
	slug VARCHAR(80) NOT NULL, 
	name VARCHAR NOT NULL, 
	role VARCHAR NOT NULL, 
	origin VARCHAR NOT NULL, 
	flavour_words JSON NOT NULL, 
	allergens JSON NOT NULL, 
	watch JSON NOT NULL, 
	gluten_risk VARCHAR NOT NULL, 
	usual_max_pct FLOAT, 
	usual_max_reason VARCHAR NOT NULL, 
	confidence VARCHAR NOT NULL, 
	archived BOOLEAN NOT NULL, 
	position INTEGER NOT NULL, version INTEGER DEFAULT '1' NOT NULL, touched INTEGER DEFAULT '0' NOT NULL, functions JSON DEFAULT '[]' NOT NULL, 
	CONSTRAINT pk_ingredient PRIMARY KEY (slug)
);
INSERT INTO "ingredient" VALUES('white-rice-flour','White rice flour','refined_flour','library','["neutral", "milky"]','[]','[]','medium',60.0,'gritty and dry above','high',0,0,1,16,'["rice"]');
INSERT INTO "ingredient" VALUES('brown-rice-flour','Brown rice flour','whole_grain','library','["nutty", "earthy"]','[]','[]','medium',50.0,'gritty above','high',0,1,1,16,'["whole-rice"]');
INSERT INTO "ingredient" VALUES('glutinous-rice-flour','Glutinous (sweet) rice flour','refined_flour','library','["sweet", "milky"]','[]','[]','medium',25.0,'gluey above','high',0,2,1,16,'["sticky-rice"]');
INSERT INTO "ingredient" VALUES('sorghum-flour','Sorghum flour (whole grain)','whole_grain','library','["mild", "sweet"]','[]','[]','medium',45.0,'drying above','medium',0,3,1,16,'[]');
INSERT INTO "ingredient" VALUES('millet-flour','Millet flour (proso/common)','whole_grain','library','["corn-like", "slightly bitter"]','[]','[]','high-needs-certified',30.0,'crumbly, slightly bitter above','medium',0,4,1,16,'[]');
INSERT INTO "ingredient" VALUES('teff-flour','Teff flour','whole_grain','library','["malty", "cocoa-like"]','[]','[]','medium',25.0,'dark, molasses note','medium',0,7,2,16,'[]');
INSERT INTO "ingredient" VALUES('buckwheat-flour','Buckwheat flour (whole groat)','whole_grain','library','["toasty", "bitter"]','[]','["buckwheat"]','high-needs-certified',30.0,'strong, greys the crumb','medium',0,8,1,16,'[]');
INSERT INTO "ingredient" VALUES('light-buckwheat-flour','Light buckwheat flour','refined_flour','library','["nutty", "floral"]','[]','["buckwheat"]','high-needs-certified',40.0,'mild but crumbly above','low',0,9,1,16,'[]');
INSERT INTO "ingredient" VALUES('oat-flour','Oat flour (whole)','whole_grain','library','["sweet", "oaty"]','[]','["oats"]','high-needs-certified',40.0,'gummy above','medium',0,11,1,16,'[]');
INSERT INTO "ingredient" VALUES('quinoa-flour','Quinoa flour','whole_grain','library','["grassy", "bitter"]','[]','[]','medium',20.0,'bitter above','medium',0,13,1,16,'[]');
INSERT INTO "ingredient" VALUES('corn-starch','Corn starch','starch','library','["neutral", "clean"]','[]','["maize"]','low',35.0,'chalky, dry above','high',0,19,1,16,'["corn-starch"]');
INSERT INTO "ingredient" VALUES('potato-starch','Potato starch','starch','library','["neutral", "clean"]','[]','[]','low',35.0,'dries out, soft above','high',0,20,1,16,'["potato-starch"]');
INSERT INTO "ingredient" VALUES('tapioca-starch','Tapioca starch','starch','library','["neutral", "clean"]','[]','[]','low',30.0,'gluey, tough crust above','high',0,21,1,16,'["tapioca-starch"]');
INSERT INTO "ingredient" VALUES('cassava-flour','Cassava flour (whole root)','root_flour','library','["mild", "earthy"]','[]','[]','low',40.0,'dense, chewy above','medium',0,24,1,16,'["cassava"]');
INSERT INTO "ingredient" VALUES('almond-flour','Almond flour (blanched)','nut_seed','library','["sweet", "nutty"]','["tree-nuts"]','[]','medium',30.0,'rich, dense above in doughs that rise','high',0,27,1,16,'[]');
INSERT INTO "ingredient" VALUES('chestnut-flour','Chestnut flour','nut_seed','library','["sweet", "chestnut"]','[]','["chestnut"]','medium',25.0,'sweet, dense','medium',0,31,1,16,'[]');
INSERT INTO "ingredient" VALUES('sunflower-seed-flour','Sunflower seed flour (ground kernels, full fat)','nut_seed','library','["nutty", "green"]','[]','[]','medium',15.0,'greens with soda','low',0,35,1,16,'[]');
INSERT INTO "ingredient" VALUES('ground-flaxseed','Ground flaxseed','nut_seed','library','["nutty", "grassy"]','[]','[]','medium',10.0,'slimy above','medium',0,39,1,16,'["flaxseed"]');
INSERT INTO "ingredient" VALUES('chickpea-flour','Chickpea flour (besan)','legume','library','["beany", "nutty"]','[]','["legume"]','medium',20.0,'beany above','high',0,41,1,16,'[]');
INSERT INTO "ingredient" VALUES('psyllium-husk','Psyllium husk (whole)','binder','library','["neutral", "earthy"]','[]','[]','medium',NULL,'','medium',0,48,1,16,'["psyllium-husk"]');
INSERT INTO "ingredient" VALUES('xanthan-gum','Xanthan gum','binder','library','["neutral", "clean"]','[]','["gum"]','low',NULL,'','medium',0,50,1,16,'["xanthan"]');
INSERT INTO "ingredient" VALUES('guar-gum','Guar gum','binder','library','["beany", "neutral"]','[]','["gum"]','low',NULL,'','medium',0,51,1,16,'["guar"]');
INSERT INTO "ingredient" VALUES('toasted-millet-flour','Toasted millet flour','whole_grain','own','["corn-like", "slightly bitter"]','[]','[]','high-needs-certified',NULL,'crumbly, slightly bitter above','medium',0,100000,5,8,'[]');
CREATE TABLE kept_standing (
	kind VARCHAR NOT NULL, 
	document_id INTEGER NOT NULL, 
	mark VARCHAR NOT NULL, 
	found JSON NOT NULL, 
	CONSTRAINT pk_kept_standing PRIMARY KEY (kind, document_id)
);
CREATE TABLE kitchen (
	id INTEGER NOT NULL, 
	name VARCHAR NOT NULL, 
	cup VARCHAR NOT NULL, 
	tablespoon VARCHAR NOT NULL, 
	mass_unit VARCHAR NOT NULL, 
	temp_unit VARCHAR NOT NULL, 
	energy_unit VARCHAR NOT NULL, 
	currency VARCHAR NOT NULL, 
	binder_school VARCHAR NOT NULL, 
	store_temp_c FLOAT NOT NULL, 
	serving_g FLOAT NOT NULL, 
	library_version VARCHAR NOT NULL, 
	shelf_version INTEGER NOT NULL, 
	version INTEGER NOT NULL, thickener_school VARCHAR DEFAULT 'by-power' NOT NULL, trials_version INTEGER DEFAULT '1' NOT NULL, bulk JSON DEFAULT '{}' NOT NULL, 
	CONSTRAINT pk_kitchen PRIMARY KEY (id)
);
INSERT INTO "kitchen" VALUES(1,'Tarn Line Provisions','metric','metric','g','c','kj','','by-moisture',20.0,30.0,'',16,1,'by-power',1,'{}');
CREATE TABLE kitchen_word (
	id INTEGER NOT NULL, 
	phrase VARCHAR NOT NULL, 
	ingredient VARCHAR NOT NULL, 
	said_on VARCHAR NOT NULL, 
	CONSTRAINT pk_kitchen_word PRIMARY KEY (id), 
	CONSTRAINT uq_kitchen_word_phrase UNIQUE (phrase)
);
INSERT INTO "kitchen_word" VALUES(1,'brose meal','oat-flour','2026-03-02');
CREATE TABLE label_print (
	id INTEGER NOT NULL, 
	batch_id INTEGER NOT NULL, 
	kind VARCHAR NOT NULL, 
	at VARCHAR NOT NULL, 
	scheme VARCHAR NOT NULL, 
	language VARCHAR NOT NULL, 
	size VARCHAR NOT NULL, 
	lines JSON NOT NULL, 
	evidence VARCHAR NOT NULL, 
	CONSTRAINT pk_label_print PRIMARY KEY (id), 
	CONSTRAINT fk_label_print_batch_id_batch FOREIGN KEY(batch_id) REFERENCES batch (id)
);
INSERT INTO "label_print" VALUES(1,1,'printed','2026-03-12T09:00:00Z','eu','en_gb','large','[{"key": "name", "text": "x"}]','');
CREATE TABLE lot (
	id INTEGER NOT NULL, 
	ingredient VARCHAR NOT NULL, 
	code VARCHAR NOT NULL, 
	supplier VARCHAR NOT NULL, 
	bought_g FLOAT NOT NULL, 
	stock_g FLOAT NOT NULL, 
	price_per_kg FLOAT, 
	best_before VARCHAR, 
	gluten_mg_per_kg FLOAT, 
	gluten_basis VARCHAR NOT NULL, bought_on VARCHAR, pack_g FLOAT, pack_price FLOAT, yield_pct FLOAT DEFAULT '100' NOT NULL, gluten_on VARCHAR, note VARCHAR DEFAULT '' NOT NULL, archived BOOLEAN DEFAULT '0' NOT NULL, version INTEGER DEFAULT '1' NOT NULL, opened_on VARCHAR, milled_on VARCHAR, supplier_code VARCHAR DEFAULT '' NOT NULL, 
	CONSTRAINT pk_lot PRIMARY KEY (id), 
	CONSTRAINT fk_lot_ingredient_ingredient FOREIGN KEY(ingredient) REFERENCES ingredient (slug)
);
INSERT INTO "lot" VALUES(1,'white-rice-flour','SM-2214','Scarth Mill',25000.0,14200.0,2.1,'2027-01-08',5.0,'supplier''s test, at most','2026-02-17',NULL,NULL,100.0,'2026-02-17','',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(2,'brown-rice-flour','SM-2231','Scarth Mill',25000.0,11593.0,2.45,'2026-08-01',5.0,'supplier''s test, at most','2026-02-14',NULL,NULL,100.0,'2026-02-14','',0,2,NULL,NULL,'');
INSERT INTO "lot" VALUES(3,'glutinous-rice-flour','CB-0917','Copperbeck Stores',5000.0,3100.0,3.6,'2027-04-18',NULL,'','2026-02-11',NULL,NULL,100.0,NULL,'',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(4,'sorghum-flour','LI-061','Low Ings Farm',20000.0,9141.0,3.1,'2026-08-11',5.0,'supplier''s test, at most','2026-02-08',NULL,NULL,100.0,'2026-02-08','',0,2,NULL,NULL,'');
INSERT INTO "lot" VALUES(5,'millet-flour','LI-064','Low Ings Farm',10000.0,6000.0,2.95,'2026-05-28',8.0,'supplier''s test, at most','2026-02-05',NULL,NULL,100.0,'2026-02-05','',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(6,'teff-flour','SM-2240','Scarth Mill',10000.0,4300.0,5.8,'2026-10-10',5.0,'supplier''s test, at most','2026-02-02',NULL,NULL,100.0,'2026-02-02','',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(7,'buckwheat-flour','LI-058','Low Ings Farm',12500.0,5500.0,3.7,'2026-06-17',NULL,'','2026-01-30',NULL,NULL,100.0,NULL,'',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(8,'light-buckwheat-flour','LI-059','Low Ings Farm',5000.0,2200.0,4.2,'2026-09-20',NULL,'','2026-01-27',NULL,NULL,100.0,NULL,'',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(9,'oat-flour','SM-2202','Scarth Mill',10000.0,7565.0,3.05,'2026-07-12',10.0,'supplier''s test, at most','2026-01-24',NULL,NULL,100.0,'2026-01-24','',0,2,NULL,NULL,'');
INSERT INTO "lot" VALUES(10,'quinoa-flour','CB-0933','Copperbeck Stores',3000.0,1900.0,8.9,'2026-07-02',5.0,'supplier''s test, at most','2026-01-21',NULL,NULL,100.0,'2026-01-21','',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(11,'corn-starch','CB-0871','Copperbeck Stores',10000.0,6600.0,1.9,'2028-02-12',5.0,'supplier''s test, at most','2026-01-18',NULL,NULL,100.0,'2026-01-18','',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(12,'potato-starch','CB-0874','Copperbeck Stores',12500.0,7893.0,2.6,'2028-03-03',5.0,'supplier''s test, at most','2026-01-15',NULL,NULL,100.0,'2026-01-15','',0,2,NULL,NULL,'');
INSERT INTO "lot" VALUES(13,'tapioca-starch','CB-0880','Copperbeck Stores',10000.0,5065.0,3.2,'2028-02-02',5.0,'supplier''s test, at most','2026-01-12',NULL,NULL,100.0,'2026-01-12','',0,2,NULL,NULL,'');
INSERT INTO "lot" VALUES(14,'cassava-flour','CB-0902','Copperbeck Stores',5000.0,2800.0,5.1,'2027-02-07',NULL,'','2026-01-09',NULL,NULL,100.0,NULL,'',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(15,'almond-flour','CB-0940','Copperbeck Stores',5000.0,2400.0,12.4,'2026-06-22',5.0,'supplier''s test, at most','2026-01-06',NULL,NULL,100.0,'2026-01-06','',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(16,'chestnut-flour','LI-047','Low Ings Farm',3000.0,1100.0,11.2,'2026-07-22',NULL,'','2026-01-03',NULL,NULL,100.0,NULL,'',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(17,'sunflower-seed-flour','LI-066','Low Ings Farm',4000.0,2900.0,6.3,'2026-05-13',NULL,'','2025-12-31',NULL,NULL,100.0,NULL,'',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(18,'chickpea-flour','SM-2219','Scarth Mill',5000.0,3338.0,3.4,'2026-08-31',5.0,'supplier''s test, at most','2025-12-28',NULL,NULL,100.0,'2025-12-28','',0,2,NULL,NULL,'');
INSERT INTO "lot" VALUES(19,'ground-flaxseed','LI-068','Low Ings Farm',3000.0,1700.0,4.6,'2026-04-28',NULL,'','2025-12-25',NULL,NULL,100.0,NULL,'',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(20,'psyllium-husk','CB-0951','Copperbeck Stores',2000.0,1300.0,17.5,'2027-11-04',5.0,'supplier''s test, at most','2025-12-22',NULL,NULL,100.0,'2025-12-22','',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(21,'xanthan-gum','CB-0955','Copperbeck Stores',1000.0,694.819995,21.0,'2028-05-22',5.0,'supplier''s test, at most','2025-12-19',NULL,NULL,100.0,'2025-12-19','',0,2,NULL,NULL,'');
INSERT INTO "lot" VALUES(22,'guar-gum','CB-0956','Copperbeck Stores',1000.0,800.0,14.0,'2027-11-24',NULL,'','2025-12-16',NULL,NULL,100.0,NULL,'',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(23,'sorghum-flour','LI-038','Low Ings Farm',20000.0,0.0,2.7,'2026-02-22',5.0,'supplier''s test, at most','2025-05-08',NULL,NULL,100.0,'2025-05-08','',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(24,'sorghum-flour','LI-049','Low Ings Farm',20000.0,0.0,2.95,'2026-04-03',5.0,'supplier''s test, at most','2025-09-25',NULL,NULL,100.0,'2025-09-25','',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(25,'teff-flour','SM-2101','Scarth Mill',5000.0,0.0,4.9,'2025-12-14',5.0,'supplier''s test, at most','2025-02-07',NULL,NULL,100.0,'2025-02-07','',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(26,'teff-flour','SM-2166','Scarth Mill',5000.0,0.0,5.4,'2026-03-24',5.0,'supplier''s test, at most','2025-07-07',NULL,NULL,100.0,'2025-07-07','',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(27,'brown-rice-flour','SM-2180','Scarth Mill',25000.0,0.0,2.6,'2026-02-12',5.0,'supplier''s test, at most','2025-08-06',NULL,NULL,100.0,'2025-08-06','',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(28,'almond-flour','CB-0821','Copperbeck Stores',5000.0,0.0,10.8,'2026-01-13',5.0,'supplier''s test, at most','2025-04-18',NULL,NULL,100.0,'2025-04-18','',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(29,'almond-flour','CB-0888','Copperbeck Stores',5000.0,0.0,13.1,'2026-03-19',5.0,'supplier''s test, at most','2025-10-05',NULL,NULL,100.0,'2025-10-05','',0,1,NULL,NULL,'');
INSERT INTO "lot" VALUES(30,'millet-flour','LI-077','Low Ings Farm',10000.0,10000.0,3.13402061855670099888e+00,'2026-10-10',6.0,'supplier''s test, at most','2026-03-10',5000.0,15.2,97.0,'2026-03-10','',0,1,NULL,NULL,'');
CREATE TABLE numbers (
	id INTEGER NOT NULL, 
	ingredient VARCHAR NOT NULL, 
	lot_id INTEGER, 
	layer VARCHAR NOT NULL, 
	facts JSON NOT NULL, 
	CONSTRAINT pk_numbers PRIMARY KEY (id), 
	CONSTRAINT fk_numbers_ingredient_ingredient FOREIGN KEY(ingredient) REFERENCES ingredient (slug), 
	CONSTRAINT fk_numbers_lot_id_lot FOREIGN KEY(lot_id) REFERENCES lot (id)
);
INSERT INTO "numbers" VALUES(97,'toasted-millet-flour',NULL,'own','{"water_g": [7.63, 8.67, 9.71, "estimate", "general food-table knowledge", ""], "protein_g": [9.675, 10.75, 11.83, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "fat_g": [3.612, 4.25, 4.887, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "saturated_fat_g": [0.4288, 0.536, 0.6432, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "carbohydrate_g": [71.36, 75.12, 78.88, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "sugars_g": [1.162, 1.66, 2.158, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "starch_g": [59.47, 69.96, 73.46, "by-difference", "USDA FoodData Central SR Legacy: Millet flour", ""], "fibre_g": [2.6, 4.5, 8.5, "estimate", "typical value between public food tables and labels, which disagree", ""], "ash_g": [0.9, 1.2, 1.5, "estimate", "general food-table knowledge", ""], "calcium_mg": [10.5, 14.0, 17.5, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "iron_mg": [2.955, 3.94, 4.925, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "magnesium_mg": [89.25, 119.0, 148.8, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "potassium_mg": [168.0, 224.0, 280.0, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "zinc_mg": [1.972, 2.63, 3.287, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "sodium_mg": [3.0, 4.0, 5.0, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "folate_ug": [31.5, 42.0, 52.5, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "density_g_per_ml": [0.4438, 0.5072, 0.6763, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "thirst_g_per_g": [0.9, 1.2, 1.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "amylose_pct": [17.0, 24.0, 32.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "shelf_months": [2.0, 2.0, 2.0, "estimate", "our own toasting, 20 min at 150 \u00b0C", "2026-02-27"], "grit_index": [1.5, 2.0, 2.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "flavour_index": [4.0, 4.0, 4.0, "estimate", "our own toasting, 20 min at 150 \u00b0C", "2026-02-27"], "lightness_l": [74.0, 74.0, 74.0, "estimate", "our own toasting, 20 min at 150 \u00b0C", "2026-02-27"], "colour_a": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_b": [18.0, 18.0, 18.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "stickiness": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "gel_onset_c": [68.0, 68.0, 68.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "gel_peak_c": [74.0, 74.0, 74.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "browning_index": [3.0, 3.0, 3.0, "estimate", "our own toasting, 20 min at 150 \u00b0C", "2026-02-27"], "usual_max_pct": [30.0, 30.0, 30.0, "estimate", "copied from Millet flour (proso/common)", ""]}');
INSERT INTO "numbers" VALUES(98,'teff-flour',6,'measured','{"thirst_g_per_g": [1.47031724576499, 1.52, 1.56968275423501, "measured", "water taken up, 3 runs less the blank", "2026-03-02"]}');
INSERT INTO "numbers" VALUES(99,'sorghum-flour',4,'measured','{"density_g_per_ml": [0.512653790831661, 0.562666666666667, 0.612679542501673, "measured", "cup weight, 3 cups spooned in", "2026-03-03"], "grit_index": [3.01707045184501, 3.51707045184501, 4.01707045184501, "measured", "sieve grading, d\u2089\u2080 328 \u00b5m", "2026-03-03"]}');
INSERT INTO "numbers" VALUES(100,'brown-rice-flour',NULL,'measured','{"thirst_g_per_g": [1.20929796360334, 1.26666666666667, 1.32403536972999, "measured", "water taken up, 3 runs less the blank", "2026-03-05"]}');
INSERT INTO "numbers" VALUES(101,'oat-flour',9,'label','{"energy_kcal": [374.5, 375.0, 375.5, "label", "per 100 g", "2026-03-06"], "energy_kj": [1579.5, 1580.0, 1580.5, "label", "per 100 g", "2026-03-06"], "fat_g": [6.85, 6.9, 6.95, "label", "per 100 g", "2026-03-06"], "saturated_fat_g": [1.15, 1.2, 1.25, "label", "per 100 g", "2026-03-06"], "sugars_g": [1.05, 1.1, 1.15, "label", "per 100 g", "2026-03-06"], "fibre_g": [10.15, 10.2, 10.25, "label", "per 100 g", "2026-03-06"], "protein_g": [13.35, 13.4, 13.45, "label", "per 100 g", "2026-03-06"], "salt_g": [0.005, 0.01, 0.015, "label", "per 100 g", "2026-03-06"], "carbohydrate_g": [67.65, 68.2, 68.75, "label", "per 100 g, with its fibre", "2026-03-06"], "starch_g": [56.25, 56.9, 57.55, "by-difference", "per 100 g, by difference", "2026-03-06"]}');
INSERT INTO "numbers" VALUES(102,'chickpea-flour',18,'label','{"energy_kcal": [350.0, 366.666666666667, 383.333333333333, "label", "per 0.25 cup (30 g)", "2026-03-06"], "fat_g": [5.0, 6.66666666666667, 8.33333333333333, "label", "per 0.25 cup (30 g)", "2026-03-06"], "sugars_g": [8.33333333333333, 10.0, 11.6666666666667, "label", "per 0.25 cup (30 g)", "2026-03-06"], "fibre_g": [8.33333333333333, 10.0, 11.6666666666667, "label", "per 0.25 cup (30 g)", "2026-03-06"], "protein_g": [21.6666666666667, 23.3333333333333, 25.0, "label", "per 0.25 cup (30 g)", "2026-03-06"], "sodium_mg": [58.3333333333333, 66.6666666666667, 75.0, "label", "per 0.25 cup (30 g)", "2026-03-06"], "carbohydrate_g": [55.0, 56.6666666666667, 58.3333333333333, "label", "per 0.25 cup (30 g)", "2026-03-06"], "starch_g": [31.6666666666667, 36.6666666666667, 41.6666666666667, "by-difference", "per 0.25 cup (30 g), by difference", "2026-03-06"], "density_g_per_ml": [0.404204234122042, 0.48, 0.656936488169365, "label", "per 0.25 cup (30 g): the serving''s grams and volume", "2026-03-06"]}');
INSERT INTO "numbers" VALUES(103,'teff-flour',NULL,'own','{"protein_g": [13.1, 13.1, 13.1, "measured", "our own test", ""]}');
INSERT INTO "numbers" VALUES(104,'white-rice-flour',NULL,'table','{"water_g": [10.46, 11.89, 13.32, "estimate", "general food-table knowledge", ""], "protein_g": [5.9, 6.6, 7.9, "estimate", "typical value between public food tables and labels, which disagree", ""], "fat_g": [0.52, 1.42, 1.633, "table", "USDA FoodData Central SR Legacy: Rice flour, white, unenriched", ""], "saturated_fat_g": [0.3088, 0.386, 0.4632, "table", "USDA FoodData Central SR Legacy: Rice flour, white, unenriched", ""], "carbohydrate_g": [76.12, 80.13, 84.14, "table", "USDA FoodData Central SR Legacy: Rice flour, white, unenriched", ""], "sugars_g": [0.084, 0.12, 0.156, "table", "USDA FoodData Central SR Legacy: Rice flour, white, unenriched", ""], "starch_g": [74.0, 78.5, 81.0, "estimate", "typical value between public food tables and labels, which disagree", ""], "fibre_g": [0.3, 1.5, 2.8, "estimate", "typical value between public food tables and labels, which disagree", ""], "ash_g": [0.4575, 0.61, 0.7625, "estimate", "general food-table knowledge", ""], "calcium_mg": [7.5, 10.0, 12.5, "table", "USDA FoodData Central SR Legacy: Rice flour, white, unenriched", ""], "iron_mg": [0.2625, 0.35, 0.4375, "table", "USDA FoodData Central SR Legacy: Rice flour, white, unenriched", ""], "magnesium_mg": [26.25, 35.0, 43.75, "table", "USDA FoodData Central SR Legacy: Rice flour, white, unenriched", ""], "potassium_mg": [57.0, 76.0, 95.0, "table", "USDA FoodData Central SR Legacy: Rice flour, white, unenriched", ""], "zinc_mg": [0.6, 0.8, 1.0, "table", "USDA FoodData Central SR Legacy: Rice flour, white, unenriched", ""], "sodium_mg": [0.0, 0.0, 0.0, "table", "USDA FoodData Central SR Legacy: Rice flour, white, unenriched", ""], "folate_ug": [3.0, 4.0, 5.0, "table", "USDA FoodData Central SR Legacy: Rice flour, white, unenriched", ""], "density_g_per_ml": [0.5283, 0.634, 0.782, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "thirst_g_per_g": [1.0, 1.2, 1.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "amylose_pct": [15.0, 20.0, 28.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "shelf_months": [12.0, 18.0, 24.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "grit_index": [2.5, 3.0, 3.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "flavour_index": [0.5, 1.0, 1.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "lightness_l": [93.0, 93.0, 93.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "colour_a": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "colour_b": [6.0, 6.0, 6.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "stickiness": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "gel_onset_c": [67.0, 67.0, 67.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "gel_peak_c": [72.0, 72.0, 72.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "browning_index": [0.5, 1.0, 1.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""]}');
INSERT INTO "numbers" VALUES(105,'brown-rice-flour',NULL,'table','{"water_g": [10.53, 11.97, 13.41, "estimate", "general food-table knowledge", ""], "protein_g": [6.507, 7.23, 9.16, "table", "USDA FoodData Central SR Legacy: Rice flour, brown", ""], "fat_g": [1.24, 2.78, 3.85, "table", "USDA FoodData Central SR Legacy: Rice flour, brown", ""], "saturated_fat_g": [0.4456, 0.557, 0.6684, "table", "USDA FoodData Central SR Legacy: Rice flour, brown", ""], "carbohydrate_g": [72.66, 76.48, 80.3, "table", "USDA FoodData Central SR Legacy: Rice flour, brown", ""], "sugars_g": [0.462, 0.66, 0.858, "table", "USDA FoodData Central SR Legacy: Rice flour, brown", ""], "starch_g": [60.54, 71.22, 74.78, "by-difference", "USDA FoodData Central SR Legacy: Rice flour, brown", ""], "fibre_g": [3.68, 4.6, 5.52, "table", "USDA FoodData Central SR Legacy: Rice flour, brown", ""], "ash_g": [1.155, 1.54, 1.925, "estimate", "general food-table knowledge", ""], "calcium_mg": [8.25, 11.0, 13.75, "table", "USDA FoodData Central SR Legacy: Rice flour, brown", ""], "iron_mg": [1.485, 1.98, 2.475, "table", "USDA FoodData Central SR Legacy: Rice flour, brown", ""], "magnesium_mg": [84.0, 112.0, 140.0, "table", "USDA FoodData Central SR Legacy: Rice flour, brown", ""], "potassium_mg": [216.8, 289.0, 361.2, "table", "USDA FoodData Central SR Legacy: Rice flour, brown", ""], "zinc_mg": [1.838, 2.45, 3.062, "table", "USDA FoodData Central SR Legacy: Rice flour, brown", ""], "sodium_mg": [6.0, 8.0, 10.0, "table", "USDA FoodData Central SR Legacy: Rice flour, brown", ""], "folate_ug": [12.0, 16.0, 20.0, "table", "USDA FoodData Central SR Legacy: Rice flour, brown", ""], "density_g_per_ml": [0.4988, 0.6129, 0.782, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "thirst_g_per_g": [1.1, 1.3, 1.6, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "amylose_pct": [15.0, 20.0, 28.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "shelf_months": [3.0, 6.0, 9.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "grit_index": [2.5, 3.0, 3.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "flavour_index": [1.5, 2.0, 2.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "lightness_l": [86.0, 86.0, 86.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "colour_a": [1.0, 1.0, 1.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "colour_b": [11.0, 11.0, 11.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "stickiness": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "gel_onset_c": [67.0, 67.0, 67.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "gel_peak_c": [73.0, 73.0, 73.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "browning_index": [1.5, 2.0, 2.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""]}');
INSERT INTO "numbers" VALUES(106,'glutinous-rice-flour',NULL,'table','{"water_g": [10.21, 11.6, 12.99, "estimate", "general food-table knowledge", ""], "protein_g": [6.021, 6.69, 7.359, "table", "USDA FoodData Central Foundation: Flour, rice, glutinous", ""], "fat_g": [0.986, 1.16, 1.334, "estimate", "general food-table knowledge", ""], "saturated_fat_g": [0.2, 0.25, 0.3, "estimate", "general food-table knowledge", ""], "carbohydrate_g": [76.09, 80.1, 84.11, "table", "USDA FoodData Central Foundation: Flour, rice, glutinous", ""], "sugars_g": [0.14, 0.2, 0.26, "estimate", "general food-table knowledge", ""], "starch_g": [66.64, 78.4, 82.32, "by-difference", "USDA FoodData Central Foundation: Flour, rice, glutinous", ""], "fibre_g": [1.2, 1.5, 1.8, "estimate", "general food-table knowledge", ""], "ash_g": [0.3375, 0.45, 0.5625, "estimate", "general food-table knowledge", ""], "calcium_mg": [7.5, 10.0, 12.5, "table", "USDA FoodData Central Foundation: Flour, rice, glutinous", ""], "iron_mg": [0.255, 0.34, 0.425, "table", "USDA FoodData Central Foundation: Flour, rice, glutinous", ""], "magnesium_mg": [15.9, 21.2, 26.5, "table", "USDA FoodData Central Foundation: Flour, rice, glutinous", ""], "potassium_mg": [60.0, 80.0, 100.0, "table", "USDA FoodData Central Foundation: Flour, rice, glutinous", ""], "zinc_mg": [1.005, 1.34, 1.675, "table", "USDA FoodData Central Foundation: Flour, rice, glutinous", ""], "sodium_mg": [4.5, 6.0, 7.5, "table", "USDA FoodData Central Foundation: Flour, rice, glutinous", ""], "folate_ug": [5.25, 7.0, 8.75, "estimate", "general food-table knowledge", ""], "density_g_per_ml": [0.4438, 0.541, 0.6763, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "thirst_g_per_g": [1.0, 1.3, 1.6, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "amylose_pct": [0.0, 1.0, 2.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "shelf_months": [12.0, 18.0, 24.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "grit_index": [0.5, 1.0, 1.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "flavour_index": [0.5, 1.0, 1.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "lightness_l": [94.0, 94.0, 94.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "colour_a": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "colour_b": [5.0, 5.0, 5.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "stickiness": [1.0, 1.0, 1.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "gel_onset_c": [61.0, 61.0, 61.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "gel_peak_c": [67.0, 67.0, 67.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "browning_index": [0.5, 1.0, 1.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""]}');
INSERT INTO "numbers" VALUES(107,'sorghum-flour',NULL,'table','{"water_g": [9.029, 10.26, 11.49, "estimate", "general food-table knowledge", ""], "protein_g": [7.587, 8.43, 9.97, "table", "USDA FoodData Central SR Legacy: Sorghum flour, whole-grain", ""], "fat_g": [1.73, 3.34, 3.841, "table", "USDA FoodData Central SR Legacy: Sorghum flour, whole-grain", ""], "saturated_fat_g": [0.4224, 0.528, 0.6336, "table", "USDA FoodData Central SR Legacy: Sorghum flour, whole-grain", ""], "carbohydrate_g": [72.81, 76.64, 80.47, "table", "USDA FoodData Central SR Legacy: Sorghum flour, whole-grain", ""], "sugars_g": [1.358, 1.94, 2.522, "table", "USDA FoodData Central SR Legacy: Sorghum flour, whole-grain", ""], "starch_g": [57.88, 68.1, 71.5, "by-difference", "USDA FoodData Central SR Legacy: Sorghum flour, whole-grain", ""], "fibre_g": [5.28, 6.6, 10.22, "table", "USDA FoodData Central SR Legacy: Sorghum flour, whole-grain", ""], "ash_g": [0.99, 1.32, 1.65, "estimate", "general food-table knowledge", ""], "calcium_mg": [9.0, 12.0, 15.0, "table", "USDA FoodData Central SR Legacy: Sorghum flour, whole-grain", ""], "iron_mg": [2.355, 3.14, 3.925, "table", "USDA FoodData Central SR Legacy: Sorghum flour, whole-grain", ""], "magnesium_mg": [92.25, 123.0, 153.8, "table", "USDA FoodData Central SR Legacy: Sorghum flour, whole-grain", ""], "potassium_mg": [243.0, 324.0, 405.0, "table", "USDA FoodData Central SR Legacy: Sorghum flour, whole-grain", ""], "zinc_mg": [1.222, 1.63, 2.037, "table", "USDA FoodData Central SR Legacy: Sorghum flour, whole-grain", ""], "sodium_mg": [2.25, 3.0, 3.75, "table", "USDA FoodData Central SR Legacy: Sorghum flour, whole-grain", ""], "folate_ug": [18.75, 25.0, 31.25, "table", "USDA FoodData Central SR Legacy: Sorghum flour, whole-grain", ""], "density_g_per_ml": [0.4649, 0.5495, 0.6551, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "thirst_g_per_g": [0.9, 1.2, 1.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "amylose_pct": [22.0, 25.0, 28.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "shelf_months": [3.0, 6.0, 9.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "grit_index": [1.5, 2.0, 2.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "flavour_index": [1.5, 2.0, 2.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "lightness_l": [83.0, 83.0, 83.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_a": [3.0, 3.0, 3.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_b": [12.0, 12.0, 12.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "stickiness": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "gel_onset_c": [68.0, 68.0, 68.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "gel_peak_c": [72.0, 72.0, 72.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "browning_index": [1.5, 2.0, 2.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""]}');
INSERT INTO "numbers" VALUES(108,'millet-flour',NULL,'table','{"water_g": [7.63, 8.67, 9.71, "estimate", "general food-table knowledge", ""], "protein_g": [9.675, 10.75, 11.83, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "fat_g": [3.612, 4.25, 4.887, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "saturated_fat_g": [0.4288, 0.536, 0.6432, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "carbohydrate_g": [71.36, 75.12, 78.88, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "sugars_g": [1.162, 1.66, 2.158, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "starch_g": [59.47, 69.96, 73.46, "by-difference", "USDA FoodData Central SR Legacy: Millet flour", ""], "fibre_g": [2.6, 4.5, 8.5, "estimate", "typical value between public food tables and labels, which disagree", ""], "ash_g": [0.9, 1.2, 1.5, "estimate", "general food-table knowledge", ""], "calcium_mg": [10.5, 14.0, 17.5, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "iron_mg": [2.955, 3.94, 4.925, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "magnesium_mg": [89.25, 119.0, 148.8, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "potassium_mg": [168.0, 224.0, 280.0, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "zinc_mg": [1.972, 2.63, 3.287, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "sodium_mg": [3.0, 4.0, 5.0, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "folate_ug": [31.5, 42.0, 52.5, "table", "USDA FoodData Central SR Legacy: Millet flour", ""], "density_g_per_ml": [0.4438, 0.5072, 0.6763, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "thirst_g_per_g": [0.9, 1.2, 1.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "amylose_pct": [17.0, 24.0, 32.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "shelf_months": [1.5, 3.0, 6.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "grit_index": [1.5, 2.0, 2.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "flavour_index": [1.5, 2.0, 2.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "lightness_l": [86.0, 86.0, 86.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_a": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_b": [18.0, 18.0, 18.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "stickiness": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "gel_onset_c": [68.0, 68.0, 68.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "gel_peak_c": [74.0, 74.0, 74.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "browning_index": [1.5, 2.0, 2.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""]}');
INSERT INTO "numbers" VALUES(111,'teff-flour',NULL,'table','{"water_g": [7.762, 8.82, 9.878, "estimate", "general food-table knowledge", ""], "protein_g": [11.43, 13.3, 14.63, "table", "USDA FoodData Central SR Legacy: Teff, uncooked", ""], "fat_g": [2.023, 2.38, 2.86, "table", "USDA FoodData Central SR Legacy: Teff, uncooked", ""], "saturated_fat_g": [0.3592, 0.449, 0.5388, "table", "USDA FoodData Central SR Legacy: Teff, uncooked", ""], "carbohydrate_g": [69.47, 73.13, 76.79, "table", "USDA FoodData Central SR Legacy: Teff, uncooked", ""], "sugars_g": [1.288, 1.84, 2.392, "table", "USDA FoodData Central SR Legacy: Teff, uncooked", ""], "starch_g": [53.8, 63.29, 66.45, "by-difference", "USDA FoodData Central SR Legacy: Teff, uncooked", ""], "fibre_g": [6.4, 8.0, 10.6, "table", "USDA FoodData Central SR Legacy: Teff, uncooked", ""], "ash_g": [1.778, 2.37, 2.963, "estimate", "general food-table knowledge", ""], "calcium_mg": [135.0, 180.0, 225.0, "table", "USDA FoodData Central SR Legacy: Teff, uncooked", ""], "iron_mg": [5.723, 7.63, 9.537, "table", "USDA FoodData Central SR Legacy: Teff, uncooked", ""], "magnesium_mg": [138.0, 184.0, 230.0, "table", "USDA FoodData Central SR Legacy: Teff, uncooked", ""], "potassium_mg": [320.2, 427.0, 533.8, "table", "USDA FoodData Central SR Legacy: Teff, uncooked", ""], "zinc_mg": [2.723, 3.63, 4.537, "table", "USDA FoodData Central SR Legacy: Teff, uncooked", ""], "sodium_mg": [9.0, 12.0, 15.0, "table", "USDA FoodData Central SR Legacy: Teff, uncooked", ""], "density_g_per_ml": [0.5072, 0.6129, 0.7608, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "thirst_g_per_g": [1.0, 1.3, 1.6, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "amylose_pct": [20.0, 25.0, 30.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "shelf_months": [6.0, 9.0, 12.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "grit_index": [1.5, 2.0, 2.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "flavour_index": [2.5, 3.0, 3.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "lightness_l": [66.0, 66.0, 66.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_a": [5.0, 5.0, 5.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_b": [13.0, 13.0, 13.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "stickiness": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "gel_onset_c": [67.0, 67.0, 67.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "gel_peak_c": [73.0, 73.0, 73.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "browning_index": [2.5, 3.0, 3.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""]}');
INSERT INTO "numbers" VALUES(112,'buckwheat-flour',NULL,'table','{"water_g": [9.812, 11.15, 12.49, "estimate", "general food-table knowledge", ""], "protein_g": [8.88, 12.62, 13.88, "table", "USDA FoodData Central SR Legacy: Buckwheat flour, whole-groat", ""], "fat_g": [2.48, 3.1, 3.565, "table", "USDA FoodData Central SR Legacy: Buckwheat flour, whole-groat", ""], "saturated_fat_g": [0.5416, 0.677, 0.8124, "table", "USDA FoodData Central SR Legacy: Buckwheat flour, whole-groat", ""], "carbohydrate_g": [67.06, 70.59, 74.12, "table", "USDA FoodData Central SR Legacy: Buckwheat flour, whole-groat", ""], "sugars_g": [1.82, 2.6, 3.38, "table", "USDA FoodData Central SR Legacy: Buckwheat flour, whole-groat", ""], "starch_g": [49.29, 57.99, 60.89, "by-difference", "USDA FoodData Central SR Legacy: Buckwheat flour, whole-groat", ""], "fibre_g": [8.0, 10.0, 12.0, "table", "USDA FoodData Central SR Legacy: Buckwheat flour, whole-groat", ""], "ash_g": [1.905, 2.54, 3.175, "estimate", "general food-table knowledge", ""], "calcium_mg": [30.75, 41.0, 51.25, "table", "USDA FoodData Central SR Legacy: Buckwheat flour, whole-groat", ""], "iron_mg": [3.045, 4.06, 5.075, "table", "USDA FoodData Central SR Legacy: Buckwheat flour, whole-groat", ""], "magnesium_mg": [188.2, 251.0, 313.8, "table", "USDA FoodData Central SR Legacy: Buckwheat flour, whole-groat", ""], "potassium_mg": [432.8, 577.0, 721.2, "table", "USDA FoodData Central SR Legacy: Buckwheat flour, whole-groat", ""], "zinc_mg": [2.34, 3.12, 3.9, "table", "USDA FoodData Central SR Legacy: Buckwheat flour, whole-groat", ""], "sodium_mg": [8.25, 11.0, 13.75, "table", "USDA FoodData Central SR Legacy: Buckwheat flour, whole-groat", ""], "folate_ug": [40.5, 54.0, 67.5, "table", "USDA FoodData Central SR Legacy: Buckwheat flour, whole-groat", ""], "density_g_per_ml": [0.4438, 0.5072, 0.6256, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "thirst_g_per_g": [1.1, 1.4, 1.8, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "amylose_pct": [20.0, 24.0, 28.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "shelf_months": [2.0, 4.0, 8.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "grit_index": [1.5, 2.0, 2.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "flavour_index": [3.5, 4.0, 4.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "lightness_l": [72.0, 72.0, 72.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_a": [2.0, 2.0, 2.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_b": [10.0, 10.0, 10.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "stickiness": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "gel_onset_c": [60.0, 60.0, 60.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "gel_peak_c": [67.0, 67.0, 67.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "browning_index": [2.5, 3.0, 3.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""]}');
INSERT INTO "numbers" VALUES(113,'light-buckwheat-flour',NULL,'table','{"water_g": [9.84, 12.0, 14.16, "estimate", "general food-table knowledge", ""], "protein_g": [5.44, 6.4, 7.36, "estimate", "general food-table knowledge", ""], "fat_g": [0.93, 1.2, 1.47, "estimate", "general food-table knowledge", ""], "saturated_fat_g": [0.182, 0.26, 0.338, "estimate", "general food-table knowledge", ""], "carbohydrate_g": [73.54, 79.5, 85.46, "estimate", "general food-table knowledge", ""], "sugars_g": [0.66, 1.2, 1.74, "estimate", "general food-table knowledge", ""], "starch_g": [64.43, 75.8, 79.59, "estimate", "general food-table knowledge", ""], "fibre_g": [1.75, 2.5, 3.25, "estimate", "general food-table knowledge", ""], "ash_g": [0.5625, 0.9, 1.238, "estimate", "general food-table knowledge", ""], "calcium_mg": [6.875, 11.0, 15.12, "estimate", "general food-table knowledge", ""], "iron_mg": [0.625, 1.0, 1.375, "estimate", "general food-table knowledge", ""], "magnesium_mg": [30.0, 48.0, 66.0, "estimate", "general food-table knowledge", ""], "potassium_mg": [200.0, 320.0, 440.0, "estimate", "general food-table knowledge", ""], "zinc_mg": [0.625, 1.0, 1.375, "estimate", "general food-table knowledge", ""], "sodium_mg": [1.25, 2.0, 2.75, "estimate", "general food-table knowledge", ""], "folate_ug": [12.5, 20.0, 27.5, "estimate", "general food-table knowledge", ""], "density_g_per_ml": [0.4227, 0.4861, 0.5917, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "thirst_g_per_g": [0.9, 1.2, 1.5, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "amylose_pct": [20.0, 24.0, 28.0, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "shelf_months": [4.0, 8.0, 12.0, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "grit_index": [0.5, 1.0, 1.5, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "flavour_index": [2.5, 3.0, 3.5, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "lightness_l": [85.0, 85.0, 85.0, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "colour_a": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "colour_b": [8.0, 8.0, 8.0, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "stickiness": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "gel_onset_c": [60.0, 60.0, 60.0, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "gel_peak_c": [67.0, 67.0, 67.0, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "browning_index": [1.5, 2.0, 2.5, "estimate", "bundled table: typical value; estimate (low confidence)", ""]}');
INSERT INTO "numbers" VALUES(115,'oat-flour',NULL,'table','{"water_g": [7.744, 8.8, 9.856, "estimate", "general food-table knowledge", ""], "protein_g": [11.85, 13.17, 14.49, "table", "USDA FoodData Central Foundation: Flour, oat, whole grain", ""], "fat_g": [5.363, 6.31, 7.256, "estimate", "general food-table knowledge", ""], "saturated_fat_g": [0.92, 1.15, 1.38, "estimate", "general food-table knowledge", ""], "carbohydrate_g": [66.42, 69.92, 73.42, "table", "USDA FoodData Central Foundation: Flour, oat, whole grain", ""], "sugars_g": [0.7, 1.0, 1.3, "estimate", "general food-table knowledge", ""], "starch_g": [49.66, 58.42, 61.34, "by-difference", "USDA FoodData Central Foundation: Flour, oat, whole grain", ""], "fibre_g": [8.4, 10.5, 12.6, "table", "USDA FoodData Central Foundation: Flour, oat, whole grain", ""], "ash_g": [1.35, 1.8, 2.25, "estimate", "general food-table knowledge", ""], "calcium_mg": [32.11, 42.81, 53.51, "table", "USDA FoodData Central Foundation: Flour, oat, whole grain", ""], "iron_mg": [2.998, 3.997, 4.996, "table", "USDA FoodData Central Foundation: Flour, oat, whole grain", ""], "magnesium_mg": [93.97, 125.3, 156.6, "table", "USDA FoodData Central Foundation: Flour, oat, whole grain", ""], "potassium_mg": [279.8, 373.1, 466.4, "table", "USDA FoodData Central Foundation: Flour, oat, whole grain", ""], "zinc_mg": [2.066, 2.754, 3.442, "table", "USDA FoodData Central Foundation: Flour, oat, whole grain", ""], "sodium_mg": [2.715, 3.62, 4.525, "table", "USDA FoodData Central Foundation: Flour, oat, whole grain", ""], "folate_ug": [26.02, 34.69, 43.36, "table", "USDA FoodData Central Foundation: Flour, oat, whole grain", ""], "density_g_per_ml": [0.3381, 0.4227, 0.5283, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "thirst_g_per_g": [1.3, 1.7, 2.3, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "amylose_pct": [18.0, 24.0, 29.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "shelf_months": [3.0, 6.0, 9.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "grit_index": [0.5, 1.0, 1.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "flavour_index": [1.5, 2.0, 2.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "lightness_l": [85.0, 85.0, 85.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_a": [1.0, 1.0, 1.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_b": [12.0, 12.0, 12.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "stickiness": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "gel_onset_c": [56.0, 56.0, 56.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "gel_peak_c": [61.0, 61.0, 61.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "browning_index": [2.5, 3.0, 3.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""]}');
INSERT INTO "numbers" VALUES(117,'quinoa-flour',NULL,'table','{"water_g": [8.668, 9.85, 11.03, "estimate", "general food-table knowledge", ""], "protein_g": [10.73, 11.92, 14.29, "table", "USDA FoodData Central Foundation: Flour, quinoa", ""], "fat_g": [5.36, 6.6, 7.59, "estimate", "general food-table knowledge", ""], "saturated_fat_g": [0.5648, 0.706, 0.8472, "estimate", "general food-table knowledge", ""], "carbohydrate_g": [66.04, 69.52, 73.0, "table", "USDA FoodData Central Foundation: Flour, quinoa", ""], "sugars_g": [0.987, 1.41, 1.833, "estimate", "general food-table knowledge", ""], "starch_g": [52.55, 61.82, 64.91, "by-difference", "USDA FoodData Central Foundation: Flour, quinoa", ""], "fibre_g": [5.032, 6.29, 14.66, "table", "USDA FoodData Central Foundation: Flour, quinoa", ""], "ash_g": [1.575, 2.1, 2.625, "estimate", "general food-table knowledge", ""], "calcium_mg": [28.17, 37.56, 46.95, "table", "USDA FoodData Central Foundation: Flour, quinoa", ""], "iron_mg": [3.396, 4.528, 5.66, "table", "USDA FoodData Central Foundation: Flour, quinoa", ""], "magnesium_mg": [122.9, 163.8, 204.8, "table", "USDA FoodData Central Foundation: Flour, quinoa", ""], "potassium_mg": [413.2, 550.9, 688.6, "table", "USDA FoodData Central Foundation: Flour, quinoa", ""], "zinc_mg": [2.078, 2.77, 3.462, "table", "USDA FoodData Central Foundation: Flour, quinoa", ""], "sodium_mg": [4.74, 6.32, 7.9, "table", "USDA FoodData Central Foundation: Flour, quinoa", ""], "folate_ug": [138.0, 184.0, 230.0, "estimate", "general food-table knowledge", ""], "density_g_per_ml": [0.4015, 0.4734, 0.5706, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "thirst_g_per_g": [1.1, 1.5, 2.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "amylose_pct": [4.0, 11.0, 20.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "shelf_months": [2.0, 4.0, 6.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "grit_index": [1.5, 2.0, 2.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "flavour_index": [3.5, 4.0, 4.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "lightness_l": [84.0, 84.0, 84.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_a": [1.0, 1.0, 1.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_b": [14.0, 14.0, 14.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "stickiness": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "gel_onset_c": [54.0, 54.0, 54.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "gel_peak_c": [61.0, 61.0, 61.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "browning_index": [2.5, 3.0, 3.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""]}');
INSERT INTO "numbers" VALUES(123,'corn-starch',NULL,'table','{"water_g": [7.322, 8.32, 9.318, "estimate", "general food-table knowledge", ""], "protein_g": [0.234, 0.26, 0.286, "table", "USDA FoodData Central SR Legacy: Cornstarch", ""], "fat_g": [0.0425, 0.05, 0.0575, "table", "USDA FoodData Central SR Legacy: Cornstarch", ""], "saturated_fat_g": [0.0072, 0.009, 0.0108, "table", "USDA FoodData Central SR Legacy: Cornstarch", ""], "carbohydrate_g": [86.71, 91.27, 95.83, "table", "USDA FoodData Central SR Legacy: Cornstarch", ""], "sugars_g": [0.0, 0.0, 0.0, "table", "USDA FoodData Central SR Legacy: Cornstarch", ""], "starch_g": [81.33, 90.37, 99.41, "by-difference", "USDA FoodData Central SR Legacy: Cornstarch", ""], "fibre_g": [0.72, 0.9, 1.08, "table", "USDA FoodData Central SR Legacy: Cornstarch", ""], "ash_g": [0.0675, 0.09, 0.1125, "estimate", "general food-table knowledge", ""], "calcium_mg": [1.5, 2.0, 2.5, "table", "USDA FoodData Central SR Legacy: Cornstarch", ""], "iron_mg": [0.3525, 0.47, 0.5875, "table", "USDA FoodData Central SR Legacy: Cornstarch", ""], "magnesium_mg": [2.25, 3.0, 3.75, "table", "USDA FoodData Central SR Legacy: Cornstarch", ""], "potassium_mg": [2.25, 3.0, 3.75, "table", "USDA FoodData Central SR Legacy: Cornstarch", ""], "zinc_mg": [0.045, 0.06, 0.075, "table", "USDA FoodData Central SR Legacy: Cornstarch", ""], "sodium_mg": [6.75, 9.0, 11.25, "table", "USDA FoodData Central SR Legacy: Cornstarch", ""], "folate_ug": [0.0, 0.0, 0.0, "table", "USDA FoodData Central SR Legacy: Cornstarch", ""], "density_g_per_ml": [0.4438, 0.5283, 0.634, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "thirst_g_per_g": [0.7, 0.85, 1.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "amylose_pct": [24.0, 27.0, 30.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "shelf_months": [24.0, 36.0, 60.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "grit_index": [0.0, 0.0, 0.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "flavour_index": [0.0, 0.0, 0.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "lightness_l": [97.0, 97.0, 97.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "colour_a": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "colour_b": [3.0, 3.0, 3.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "stickiness": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "gel_onset_c": [64.0, 64.0, 64.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "gel_peak_c": [70.0, 70.0, 70.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "browning_index": [0.0, 0.0, 0.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""]}');
INSERT INTO "numbers" VALUES(124,'potato-starch',NULL,'table','{"water_g": [15.4, 17.5, 19.6, "estimate", "general food-table knowledge", ""], "protein_g": [0.0, 0.0, 0.0, "table", "median of labels", ""], "fat_g": [0.0, 0.0, 0.0, "table", "median of labels", ""], "saturated_fat_g": [0.0, 0.0, 0.0, "table", "median of labels", ""], "carbohydrate_g": [77.58, 81.66, 85.74, "table", "median of labels", ""], "sugars_g": [0.0, 0.0, 0.0, "table", "median of labels", ""], "starch_g": [73.49, 81.66, 89.83, "by-difference", "median of labels", ""], "fibre_g": [0.0, 0.0, 0.0, "table", "median of labels", ""], "ash_g": [0.225, 0.3, 0.375, "estimate", "general food-table knowledge", ""], "calcium_mg": [0.0, 0.0, 0.0, "table", "median of labels", ""], "iron_mg": [0.0, 0.0, 0.0, "table", "median of labels", ""], "magnesium_mg": [4.5, 6.0, 7.5, "estimate", "general food-table knowledge", ""], "potassium_mg": [0.0, 0.0, 0.0, "table", "median of labels", ""], "zinc_mg": [0.075, 0.1, 0.125, "estimate", "general food-table knowledge", ""], "sodium_mg": [0.0, 0.0, 0.0, "table", "median of labels", ""], "folate_ug": [0.0, 0.0, 0.0, "estimate", "general food-table knowledge", ""], "density_g_per_ml": [0.5495, 0.6763, 0.9299, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "thirst_g_per_g": [0.7, 0.9, 1.1, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "amylose_pct": [20.0, 25.0, 31.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "shelf_months": [24.0, 36.0, 60.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "grit_index": [0.0, 0.0, 0.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "flavour_index": [0.0, 0.0, 0.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "lightness_l": [96.0, 96.0, 96.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "colour_a": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "colour_b": [2.0, 2.0, 2.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "stickiness": [0.5, 0.5, 0.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "gel_onset_c": [60.0, 60.0, 60.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "gel_peak_c": [65.0, 65.0, 65.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "browning_index": [0.0, 0.0, 0.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""]}');
INSERT INTO "numbers" VALUES(125,'tapioca-starch',NULL,'table','{"water_g": [9.671, 10.99, 12.31, "estimate", "general food-table knowledge", ""], "protein_g": [0.171, 0.19, 0.209, "table", "USDA FoodData Central SR Legacy: Tapioca, pearl, dry", ""], "fat_g": [0.017, 0.02, 0.023, "table", "USDA FoodData Central SR Legacy: Tapioca, pearl, dry", ""], "saturated_fat_g": [0.004, 0.005, 0.006, "table", "USDA FoodData Central SR Legacy: Tapioca, pearl, dry", ""], "carbohydrate_g": [84.26, 88.69, 93.12, "table", "USDA FoodData Central SR Legacy: Tapioca, pearl, dry", ""], "sugars_g": [0.0, 0.0, 3.4, "estimate", "typical value between public food tables and labels, which disagree", ""], "starch_g": [84.0, 87.8, 89.0, "estimate", "typical value between public food tables and labels, which disagree", ""], "fibre_g": [0.72, 0.9, 1.08, "table", "USDA FoodData Central SR Legacy: Tapioca, pearl, dry", ""], "ash_g": [0.0825, 0.11, 0.1375, "estimate", "general food-table knowledge", ""], "calcium_mg": [15.0, 20.0, 25.0, "table", "USDA FoodData Central SR Legacy: Tapioca, pearl, dry", ""], "iron_mg": [1.185, 1.58, 1.975, "table", "USDA FoodData Central SR Legacy: Tapioca, pearl, dry", ""], "magnesium_mg": [0.75, 1.0, 1.25, "table", "USDA FoodData Central SR Legacy: Tapioca, pearl, dry", ""], "potassium_mg": [8.25, 11.0, 13.75, "table", "USDA FoodData Central SR Legacy: Tapioca, pearl, dry", ""], "zinc_mg": [0.09, 0.12, 0.15, "table", "USDA FoodData Central SR Legacy: Tapioca, pearl, dry", ""], "sodium_mg": [0.75, 1.0, 1.25, "table", "USDA FoodData Central SR Legacy: Tapioca, pearl, dry", ""], "folate_ug": [3.0, 4.0, 5.0, "table", "USDA FoodData Central SR Legacy: Tapioca, pearl, dry", ""], "density_g_per_ml": [0.3804, 0.4988, 0.6129, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "thirst_g_per_g": [0.7, 0.85, 1.1, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "amylose_pct": [15.0, 18.0, 22.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "shelf_months": [24.0, 36.0, 60.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "grit_index": [0.0, 0.0, 0.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "flavour_index": [0.0, 0.0, 0.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "lightness_l": [97.0, 97.0, 97.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "colour_a": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "colour_b": [2.0, 2.0, 2.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "stickiness": [1.0, 1.0, 1.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "gel_onset_c": [62.0, 62.0, 62.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "gel_peak_c": [68.0, 68.0, 68.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "browning_index": [0.0, 0.0, 0.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""]}');
INSERT INTO "numbers" VALUES(128,'cassava-flour',NULL,'table','{"water_g": [8.624, 9.8, 10.98, "estimate", "general food-table knowledge", ""], "protein_g": [0.828, 0.92, 1.012, "table", "USDA FoodData Central Foundation: Flour, cassava", ""], "fat_g": [0.4165, 0.49, 0.5635, "estimate", "general food-table knowledge", ""], "saturated_fat_g": [0.104, 0.13, 0.156, "estimate", "general food-table knowledge", ""], "carbohydrate_g": [82.94, 87.31, 91.68, "table", "USDA FoodData Central Foundation: Flour, cassava", ""], "sugars_g": [2.8, 4.0, 5.2, "estimate", "general food-table knowledge", ""], "starch_g": [66.71, 78.48, 82.4, "by-difference", "USDA FoodData Central Foundation: Flour, cassava", ""], "fibre_g": [3.864, 4.83, 6.2, "table", "USDA FoodData Central Foundation: Flour, cassava", ""], "ash_g": [1.087, 1.45, 1.812, "estimate", "general food-table knowledge", ""], "calcium_mg": [55.91, 74.55, 93.19, "table", "USDA FoodData Central Foundation: Flour, cassava", ""], "iron_mg": [2.991, 3.988, 4.985, "table", "USDA FoodData Central Foundation: Flour, cassava", ""], "magnesium_mg": [25.17, 33.56, 41.95, "table", "USDA FoodData Central Foundation: Flour, cassava", ""], "potassium_mg": [148.2, 197.6, 247.0, "table", "USDA FoodData Central Foundation: Flour, cassava", ""], "zinc_mg": [0.3075, 0.41, 0.5125, "table", "USDA FoodData Central Foundation: Flour, cassava", ""], "sodium_mg": [9.81, 13.08, 16.35, "table", "USDA FoodData Central Foundation: Flour, cassava", ""], "folate_ug": [30.0, 40.0, 50.0, "estimate", "general food-table knowledge", ""], "density_g_per_ml": [0.4438, 0.5495, 0.6551, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "thirst_g_per_g": [1.2, 1.6, 2.2, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "amylose_pct": [15.0, 18.0, 22.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "shelf_months": [9.0, 12.0, 24.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "grit_index": [0.5, 1.0, 1.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "flavour_index": [0.5, 1.0, 1.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "lightness_l": [93.0, 93.0, 93.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_a": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_b": [8.0, 8.0, 8.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "stickiness": [0.5, 0.5, 0.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "gel_onset_c": [63.0, 63.0, 63.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "gel_peak_c": [69.0, 69.0, 69.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "browning_index": [0.5, 1.0, 1.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""]}');
INSERT INTO "numbers" VALUES(131,'almond-flour',NULL,'table','{"water_g": [3.969, 4.51, 5.051, "estimate", "general food-table knowledge", ""], "protein_g": [19.26, 21.4, 26.24, "table", "USDA FoodData Central SR Legacy: Nuts, almonds, blanched", ""], "fat_g": [44.64, 52.52, 60.4, "table", "USDA FoodData Central SR Legacy: Nuts, almonds, blanched", ""], "saturated_fat_g": [3.162, 3.953, 4.744, "table", "USDA FoodData Central SR Legacy: Nuts, almonds, blanched", ""], "carbohydrate_g": [17.74, 18.67, 19.6, "table", "USDA FoodData Central SR Legacy: Nuts, almonds, blanched", ""], "sugars_g": [3.241, 4.63, 6.019, "table", "USDA FoodData Central SR Legacy: Nuts, almonds, blanched", ""], "starch_g": [0.595, 0.7, 0.735, "by-difference", "USDA FoodData Central SR Legacy: Nuts, almonds, blanched", ""], "fibre_g": [7.92, 9.9, 11.88, "table", "USDA FoodData Central SR Legacy: Nuts, almonds, blanched", ""], "ash_g": [2.183, 2.91, 3.638, "estimate", "general food-table knowledge", ""], "calcium_mg": [177.0, 236.0, 295.0, "table", "USDA FoodData Central SR Legacy: Nuts, almonds, blanched", ""], "iron_mg": [2.46, 3.28, 4.1, "table", "USDA FoodData Central SR Legacy: Nuts, almonds, blanched", ""], "magnesium_mg": [201.0, 268.0, 335.0, "table", "USDA FoodData Central SR Legacy: Nuts, almonds, blanched", ""], "potassium_mg": [494.2, 659.0, 823.8, "table", "USDA FoodData Central SR Legacy: Nuts, almonds, blanched", ""], "zinc_mg": [2.228, 2.97, 3.713, "table", "USDA FoodData Central SR Legacy: Nuts, almonds, blanched", ""], "sodium_mg": [14.25, 19.0, 23.75, "table", "USDA FoodData Central SR Legacy: Nuts, almonds, blanched", ""], "folate_ug": [36.75, 49.0, 61.25, "table", "USDA FoodData Central SR Legacy: Nuts, almonds, blanched", ""], "density_g_per_ml": [0.355, 0.4142, 0.5072, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "thirst_g_per_g": [0.8, 1.1, 1.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "shelf_months": [2.0, 4.0, 6.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "grit_index": [1.5, 2.0, 2.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "flavour_index": [0.5, 1.0, 1.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "lightness_l": [89.0, 89.0, 89.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "colour_a": [1.0, 1.0, 1.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "colour_b": [15.0, 15.0, 15.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "stickiness": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "browning_index": [2.5, 3.0, 3.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""]}');
INSERT INTO "numbers" VALUES(135,'chestnut-flour',NULL,'table','{"water_g": [6.336, 7.2, 8.064, "estimate", "general food-table knowledge", ""], "protein_g": [4.761, 5.29, 5.819, "table", "USDA FoodData Central Foundation: Flour, chestnut", ""], "fat_g": [3.91, 4.64, 5.336, "table", "USDA FoodData Central Foundation: Flour, chestnut", ""], "saturated_fat_g": [0.5512, 0.689, 0.8268, "table", "USDA FoodData Central Foundation: Flour, chestnut", ""], "carbohydrate_g": [76.43, 80.45, 84.47, "table", "USDA FoodData Central Foundation: Flour, chestnut", ""], "sugars_g": [15.4, 22.0, 28.6, "estimate", "general food-table knowledge", ""], "starch_g": [42.28, 49.74, 52.23, "by-difference", "USDA FoodData Central Foundation: Flour, chestnut", ""], "fibre_g": [6.968, 8.71, 10.45, "table", "USDA FoodData Central Foundation: Flour, chestnut", ""], "ash_g": [1.8, 2.4, 3.0, "estimate", "general food-table knowledge", ""], "calcium_mg": [41.86, 55.81, 69.76, "table", "USDA FoodData Central Foundation: Flour, chestnut", ""], "iron_mg": [1.216, 1.621, 2.026, "table", "USDA FoodData Central Foundation: Flour, chestnut", ""], "magnesium_mg": [51.56, 68.75, 85.94, "table", "USDA FoodData Central Foundation: Flour, chestnut", ""], "potassium_mg": [774.0, 1032.0, 1290.0, "table", "USDA FoodData Central Foundation: Flour, chestnut", ""], "zinc_mg": [0.7785, 1.038, 1.298, "table", "USDA FoodData Central Foundation: Flour, chestnut", ""], "sodium_mg": [0.0, 0.0, 0.0, "table", "USDA FoodData Central Foundation: Flour, chestnut", ""], "folate_ug": [82.5, 110.0, 137.5, "estimate", "general food-table knowledge", ""], "density_g_per_ml": [0.3804, 0.4438, 0.5495, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "thirst_g_per_g": [1.0, 1.4, 1.8, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "amylose_pct": [18.0, 24.0, 30.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "shelf_months": [3.0, 6.0, 9.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "grit_index": [0.5, 1.0, 1.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "flavour_index": [3.5, 4.0, 4.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "lightness_l": [82.0, 82.0, 82.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_a": [3.0, 3.0, 3.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_b": [14.0, 14.0, 14.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "stickiness": [0.1, 0.1, 0.1, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "gel_onset_c": [58.0, 58.0, 58.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "gel_peak_c": [64.0, 64.0, 64.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "browning_index": [4.5, 5.0, 5.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""]}');
INSERT INTO "numbers" VALUES(139,'sunflower-seed-flour',NULL,'table','{"water_g": [4.162, 4.73, 5.298, "estimate", "general food-table knowledge", ""], "protein_g": [18.7, 20.78, 23.53, "table", "USDA FoodData Central SR Legacy: Seeds, sunflower seed kernels, dried", ""], "fat_g": [43.74, 51.46, 59.18, "table", "USDA FoodData Central SR Legacy: Seeds, sunflower seed kernels, dried", ""], "saturated_fat_g": [3.564, 4.455, 5.346, "table", "USDA FoodData Central SR Legacy: Seeds, sunflower seed kernels, dried", ""], "carbohydrate_g": [19.0, 20.0, 21.0, "table", "USDA FoodData Central SR Legacy: Seeds, sunflower seed kernels, dried", ""], "sugars_g": [1.834, 2.62, 3.406, "table", "USDA FoodData Central SR Legacy: Seeds, sunflower seed kernels, dried", ""], "starch_g": [0.425, 0.5, 0.525, "by-difference", "USDA FoodData Central SR Legacy: Seeds, sunflower seed kernels, dried", ""], "fibre_g": [6.88, 8.6, 10.8, "table", "USDA FoodData Central SR Legacy: Seeds, sunflower seed kernels, dried", ""], "ash_g": [2.265, 3.02, 3.775, "estimate", "general food-table knowledge", ""], "calcium_mg": [58.5, 78.0, 97.5, "table", "USDA FoodData Central SR Legacy: Seeds, sunflower seed kernels, dried", ""], "iron_mg": [3.938, 5.25, 6.562, "table", "USDA FoodData Central SR Legacy: Seeds, sunflower seed kernels, dried", ""], "magnesium_mg": [243.8, 325.0, 406.2, "table", "USDA FoodData Central SR Legacy: Seeds, sunflower seed kernels, dried", ""], "potassium_mg": [483.8, 645.0, 806.2, "table", "USDA FoodData Central SR Legacy: Seeds, sunflower seed kernels, dried", ""], "zinc_mg": [3.75, 5.0, 6.25, "table", "USDA FoodData Central SR Legacy: Seeds, sunflower seed kernels, dried", ""], "sodium_mg": [6.75, 9.0, 11.25, "table", "USDA FoodData Central SR Legacy: Seeds, sunflower seed kernels, dried", ""], "folate_ug": [170.2, 227.0, 283.8, "table", "USDA FoodData Central SR Legacy: Seeds, sunflower seed kernels, dried", ""], "density_g_per_ml": [0.3593, 0.4311, 0.5283, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "thirst_g_per_g": [1.0, 1.4, 2.0, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "shelf_months": [1.5, 3.0, 5.0, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "grit_index": [2.5, 3.0, 3.5, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "flavour_index": [2.5, 3.0, 3.5, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "lightness_l": [70.0, 70.0, 70.0, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "colour_a": [1.0, 1.0, 1.0, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "colour_b": [12.0, 12.0, 12.0, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "stickiness": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (low confidence)", ""], "browning_index": [2.5, 3.0, 3.5, "estimate", "bundled table: typical value; estimate (low confidence)", ""]}');
INSERT INTO "numbers" VALUES(143,'ground-flaxseed',NULL,'table','{"water_g": [6.125, 6.96, 7.795, "estimate", "general food-table knowledge", ""], "protein_g": [16.46, 18.29, 20.12, "table", "USDA FoodData Central SR Legacy: Seeds, flaxseed", ""], "fat_g": [35.67, 42.16, 48.48, "table", "USDA FoodData Central SR Legacy: Seeds, flaxseed", ""], "saturated_fat_g": [2.93, 3.663, 4.396, "table", "USDA FoodData Central SR Legacy: Seeds, flaxseed", ""], "carbohydrate_g": [27.44, 28.88, 30.32, "table", "USDA FoodData Central SR Legacy: Seeds, flaxseed", ""], "sugars_g": [1.085, 1.55, 2.015, "table", "USDA FoodData Central SR Legacy: Seeds, flaxseed", ""], "starch_g": [0.0, 0.0, 0.0, "by-difference", "USDA FoodData Central SR Legacy: Seeds, flaxseed", ""], "fibre_g": [21.84, 27.3, 32.76, "table", "USDA FoodData Central SR Legacy: Seeds, flaxseed", ""], "ash_g": [2.79, 3.72, 4.65, "estimate", "general food-table knowledge", ""], "calcium_mg": [191.2, 255.0, 318.8, "table", "USDA FoodData Central SR Legacy: Seeds, flaxseed", ""], "iron_mg": [4.298, 5.73, 7.163, "table", "USDA FoodData Central SR Legacy: Seeds, flaxseed", ""], "magnesium_mg": [294.0, 392.0, 490.0, "table", "USDA FoodData Central SR Legacy: Seeds, flaxseed", ""], "potassium_mg": [609.8, 813.0, 1016.0, "table", "USDA FoodData Central SR Legacy: Seeds, flaxseed", ""], "zinc_mg": [3.255, 4.34, 5.425, "table", "USDA FoodData Central SR Legacy: Seeds, flaxseed", ""], "sodium_mg": [22.5, 30.0, 37.5, "table", "USDA FoodData Central SR Legacy: Seeds, flaxseed", ""], "folate_ug": [65.25, 87.0, 108.8, "table", "USDA FoodData Central SR Legacy: Seeds, flaxseed", ""], "density_g_per_ml": [0.3593, 0.448, 0.5495, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "thirst_g_per_g": [4.0, 6.0, 8.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "shelf_months": [1.0, 2.0, 4.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "grit_index": [2.5, 3.0, 3.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "flavour_index": [2.5, 3.0, 3.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "lightness_l": [57.0, 57.0, 57.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_a": [5.0, 5.0, 5.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_b": [14.0, 14.0, 14.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "stickiness": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "browning_index": [1.5, 2.0, 2.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""]}');
INSERT INTO "numbers" VALUES(145,'chickpea-flour',NULL,'table','{"water_g": [9.046, 10.28, 11.51, "estimate", "general food-table knowledge", ""], "protein_g": [20.0, 22.39, 24.63, "table", "USDA FoodData Central SR Legacy: Chickpea flour (besan)", ""], "fat_g": [4.58, 6.69, 7.694, "table", "USDA FoodData Central SR Legacy: Chickpea flour (besan)", ""], "saturated_fat_g": [0.5544, 0.693, 0.8316, "table", "USDA FoodData Central SR Legacy: Chickpea flour (besan)", ""], "carbohydrate_g": [54.93, 57.82, 60.71, "table", "USDA FoodData Central SR Legacy: Chickpea flour (besan)", ""], "sugars_g": [7.595, 10.85, 14.11, "table", "USDA FoodData Central SR Legacy: Chickpea flour (besan)", ""], "starch_g": [30.74, 36.17, 37.98, "by-difference", "USDA FoodData Central SR Legacy: Chickpea flour (besan)", ""], "fibre_g": [8.64, 10.8, 15.5, "table", "USDA FoodData Central SR Legacy: Chickpea flour (besan)", ""], "ash_g": [2.115, 2.82, 3.525, "estimate", "general food-table knowledge", ""], "calcium_mg": [33.75, 45.0, 56.25, "table", "USDA FoodData Central SR Legacy: Chickpea flour (besan)", ""], "iron_mg": [3.645, 4.86, 6.075, "table", "USDA FoodData Central SR Legacy: Chickpea flour (besan)", ""], "magnesium_mg": [124.5, 166.0, 207.5, "table", "USDA FoodData Central SR Legacy: Chickpea flour (besan)", ""], "potassium_mg": [634.5, 846.0, 1058.0, "table", "USDA FoodData Central SR Legacy: Chickpea flour (besan)", ""], "zinc_mg": [2.107, 2.81, 3.513, "table", "USDA FoodData Central SR Legacy: Chickpea flour (besan)", ""], "sodium_mg": [48.0, 64.0, 80.0, "table", "USDA FoodData Central SR Legacy: Chickpea flour (besan)", ""], "folate_ug": [327.8, 437.0, 546.2, "table", "USDA FoodData Central SR Legacy: Chickpea flour (besan)", ""], "density_g_per_ml": [0.3381, 0.4015, 0.5495, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "thirst_g_per_g": [1.0, 1.4, 1.8, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "amylose_pct": [25.0, 30.0, 35.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "shelf_months": [4.0, 6.0, 9.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "grit_index": [0.5, 1.0, 1.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "flavour_index": [3.5, 4.0, 4.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "lightness_l": [87.0, 87.0, 87.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "colour_a": [1.0, 1.0, 1.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "colour_b": [24.0, 24.0, 24.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "stickiness": [0.0, 0.0, 0.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "gel_onset_c": [62.0, 62.0, 62.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "gel_peak_c": [68.0, 68.0, 68.0, "estimate", "bundled table: typical value; estimate (high confidence)", ""], "browning_index": [3.5, 4.0, 4.5, "estimate", "bundled table: typical value; estimate (high confidence)", ""]}');
INSERT INTO "numbers" VALUES(152,'psyllium-husk',NULL,'table','{"water_g": [7.79, 9.5, 11.21, "estimate", "general food-table knowledge", ""], "protein_g": [1.87, 2.2, 2.53, "estimate", "general food-table knowledge", ""], "fat_g": [0.465, 0.6, 0.735, "estimate", "general food-table knowledge", ""], "saturated_fat_g": [0.07, 0.1, 0.13, "estimate", "general food-table knowledge", ""], "carbohydrate_g": [78.62, 85.0, 91.38, "estimate", "general food-table knowledge", ""], "sugars_g": [0.275, 0.5, 0.725, "estimate", "general food-table knowledge", ""], "starch_g": [1.7, 2.0, 2.1, "estimate", "general food-table knowledge", ""], "fibre_g": [54.6, 78.0, 100.0, "estimate", "general food-table knowledge; high cut to 100, which nothing can exceed", ""], "ash_g": [1.688, 2.7, 3.713, "estimate", "general food-table knowledge", ""], "calcium_mg": [125.0, 200.0, 275.0, "estimate", "general food-table knowledge", ""], "iron_mg": [10.62, 17.0, 23.38, "estimate", "general food-table knowledge", ""], "magnesium_mg": [31.25, 50.0, 68.75, "estimate", "general food-table knowledge", ""], "potassium_mg": [593.8, 950.0, 1306.0, "estimate", "general food-table knowledge", ""], "zinc_mg": [0.9375, 1.5, 2.062, "estimate", "general food-table knowledge", ""], "sodium_mg": [62.5, 100.0, 137.5, "estimate", "general food-table knowledge", ""], "density_g_per_ml": [0.2325, 0.317, 0.4015, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "thirst_g_per_g": [15.0, 25.0, 40.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "shelf_months": [12.0, 24.0, 36.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "grit_index": [2.5, 3.0, 3.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "flavour_index": [0.5, 1.0, 1.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "lightness_l": [76.0, 76.0, 76.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_a": [4.0, 4.0, 4.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_b": [13.0, 13.0, 13.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "browning_index": [0.5, 1.0, 1.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""]}');
INSERT INTO "numbers" VALUES(154,'xanthan-gum',NULL,'table','{"water_g": [8.2, 10.0, 11.8, "estimate", "general food-table knowledge", ""], "protein_g": [0.0, 4.0, 4.6, "estimate", "general food-table knowledge", ""], "fat_g": [0.0, 0.0, 0.0, "estimate", "general food-table knowledge", ""], "saturated_fat_g": [0.0, 0.0, 0.0, "estimate", "general food-table knowledge", ""], "carbohydrate_g": [71.23, 77.0, 82.77, "estimate", "general food-table knowledge", ""], "sugars_g": [0.0, 0.0, 0.0, "estimate", "general food-table knowledge", ""], "starch_g": [0.0, 0.0, 0.0, "estimate", "general food-table knowledge", ""], "fibre_g": [53.9, 77.0, 100.0, "estimate", "general food-table knowledge; high cut to 100, which nothing can exceed", ""], "ash_g": [5.625, 9.0, 12.38, "estimate", "general food-table knowledge", ""], "calcium_mg": [37.5, 60.0, 82.5, "estimate", "general food-table knowledge", ""], "iron_mg": [0.3125, 0.5, 0.6875, "estimate", "general food-table knowledge", ""], "magnesium_mg": [18.75, 30.0, 41.25, "estimate", "general food-table knowledge", ""], "potassium_mg": [125.0, 200.0, 275.0, "estimate", "general food-table knowledge", ""], "zinc_mg": [0.0625, 0.1, 0.1375, "estimate", "general food-table knowledge", ""], "sodium_mg": [1812.0, 2900.0, 3988.0, "estimate", "general food-table knowledge", ""], "folate_ug": [0.0, 0.0, 0.0, "estimate", "general food-table knowledge", ""], "density_g_per_ml": [0.5072, 0.6087, 0.7185, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "thirst_g_per_g": [20.0, 40.0, 80.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "shelf_months": [24.0, 36.0, 48.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "grit_index": [0.0, 0.0, 0.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "flavour_index": [0.0, 0.0, 0.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "lightness_l": [87.0, 87.0, 87.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_a": [1.0, 1.0, 1.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_b": [11.0, 11.0, 11.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "browning_index": [0.0, 0.0, 0.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""]}');
INSERT INTO "numbers" VALUES(155,'guar-gum',NULL,'table','{"water_g": [14.08, 16.0, 17.92, "estimate", "general food-table knowledge", ""], "protein_g": [4.14, 4.6, 5.06, "table", "USDA FoodData Central SR Legacy: Gums, seed gums (includes locust bean, guar)", ""], "fat_g": [0.425, 0.5, 0.575, "table", "USDA FoodData Central SR Legacy: Gums, seed gums (includes locust bean, guar)", ""], "saturated_fat_g": [0.048, 0.06, 0.072, "table", "USDA FoodData Central SR Legacy: Gums, seed gums (includes locust bean, guar)", ""], "carbohydrate_g": [73.43, 77.3, 81.17, "table", "USDA FoodData Central SR Legacy: Gums, seed gums (includes locust bean, guar)", ""], "sugars_g": [0.0, 0.0, 0.0, "table", "USDA FoodData Central SR Legacy: Gums, seed gums (includes locust bean, guar)", ""], "starch_g": [0.0, 0.0, 0.0, "by-difference", "USDA FoodData Central SR Legacy: Gums, seed gums (includes locust bean, guar)", ""], "fibre_g": [61.84, 77.3, 92.76, "table", "USDA FoodData Central SR Legacy: Gums, seed gums (includes locust bean, guar)", ""], "ash_g": [1.2, 1.6, 2.0, "estimate", "general food-table knowledge", ""], "calcium_mg": [220.5, 294.0, 367.5, "table", "USDA FoodData Central SR Legacy: Gums, seed gums (includes locust bean, guar)", ""], "iron_mg": [0.0, 0.0, 0.0, "table", "USDA FoodData Central SR Legacy: Gums, seed gums (includes locust bean, guar)", ""], "magnesium_mg": [0.0, 0.0, 0.0, "table", "USDA FoodData Central SR Legacy: Gums, seed gums (includes locust bean, guar)", ""], "potassium_mg": [0.0, 0.0, 0.0, "table", "USDA FoodData Central SR Legacy: Gums, seed gums (includes locust bean, guar)", ""], "zinc_mg": [0.0, 0.0, 0.0, "table", "USDA FoodData Central SR Legacy: Gums, seed gums (includes locust bean, guar)", ""], "sodium_mg": [93.75, 125.0, 156.2, "table", "USDA FoodData Central SR Legacy: Gums, seed gums (includes locust bean, guar)", ""], "folate_ug": [0.0, 0.0, 0.0, "table", "USDA FoodData Central SR Legacy: Gums, seed gums (includes locust bean, guar)", ""], "density_g_per_ml": [0.5072, 0.6551, 0.7608, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "thirst_g_per_g": [20.0, 35.0, 60.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "shelf_months": [18.0, 24.0, 36.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "grit_index": [0.0, 0.0, 0.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "flavour_index": [0.5, 1.0, 1.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "lightness_l": [86.0, 86.0, 86.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_a": [1.0, 1.0, 1.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "colour_b": [12.0, 12.0, 12.0, "estimate", "bundled table: typical value; estimate (medium confidence)", ""], "browning_index": [0.0, 0.0, 0.5, "estimate", "bundled table: typical value; estimate (medium confidence)", ""]}');
CREATE TABLE observation (
	id INTEGER NOT NULL, 
	schedule_id INTEGER, 
	learner VARCHAR NOT NULL, 
	use VARCHAR NOT NULL, 
	formula VARCHAR NOT NULL, 
	step VARCHAR NOT NULL, 
	expected FLOAT NOT NULL, 
	seen FLOAT NOT NULL, 
	seen_at VARCHAR NOT NULL, 
	withdrawn BOOLEAN NOT NULL, 
	CONSTRAINT pk_observation PRIMARY KEY (id), 
	CONSTRAINT fk_observation_schedule_id_schedule FOREIGN KEY(schedule_id) REFERENCES schedule (id)
);
CREATE TABLE panel (
	id INTEGER NOT NULL, 
	ingredient VARCHAR NOT NULL, 
	lot_id INTEGER, 
	read_on VARCHAR NOT NULL, 
	typed JSON NOT NULL, 
	gives JSON NOT NULL, 
	withdrawn BOOLEAN NOT NULL, 
	created_at VARCHAR NOT NULL, 
	CONSTRAINT pk_panel PRIMARY KEY (id), 
	CONSTRAINT fk_panel_ingredient_ingredient FOREIGN KEY(ingredient) REFERENCES ingredient (slug), 
	CONSTRAINT fk_panel_lot_id_lot FOREIGN KEY(lot_id) REFERENCES lot (id)
);
INSERT INTO "panel" VALUES(1,'oat-flour',9,'2026-03-06','{"amount": 100.0, "unit": "g", "weighs_g": null, "convention": "apart", "printed": {"energy_kj": "1580", "energy_kcal": "375", "fat_g": "6,9", "saturated_fat_g": "1,2", "carbohydrate_g": "58", "sugars_g": "1,1", "fibre_g": "10,2", "protein_g": "13,4", "salt_g": "0,01"}}','{"energy_kcal": [374.5, 375.0, 375.5, "label", "per 100 g", "2026-03-06"], "energy_kj": [1579.5, 1580.0, 1580.5, "label", "per 100 g", "2026-03-06"], "fat_g": [6.85, 6.9, 6.95, "label", "per 100 g", "2026-03-06"], "saturated_fat_g": [1.15, 1.2, 1.25, "label", "per 100 g", "2026-03-06"], "sugars_g": [1.05, 1.1, 1.15, "label", "per 100 g", "2026-03-06"], "fibre_g": [10.15, 10.2, 10.25, "label", "per 100 g", "2026-03-06"], "protein_g": [13.35, 13.4, 13.45, "label", "per 100 g", "2026-03-06"], "salt_g": [0.005, 0.01, 0.015, "label", "per 100 g", "2026-03-06"], "carbohydrate_g": [67.65, 68.2, 68.75, "label", "per 100 g, with its fibre", "2026-03-06"], "starch_g": [56.25, 56.9, 57.55, "by-difference", "per 100 g, by difference", "2026-03-06"]}',0,'2026-03-14T09:30:00Z');
INSERT INTO "panel" VALUES(2,'chickpea-flour',18,'2026-03-06','{"amount": 0.25, "unit": "cup", "weighs_g": 30.0, "convention": "inside", "printed": {"energy_kcal": "110", "fat_g": "2", "carbohydrate_g": "17", "fibre_g": "3", "sugars_g": "3", "protein_g": "7", "sodium_mg": "20"}}','{"energy_kcal": [350.0, 366.666666666667, 383.333333333333, "label", "per 0.25 cup (30 g)", "2026-03-06"], "fat_g": [5.0, 6.66666666666667, 8.33333333333333, "label", "per 0.25 cup (30 g)", "2026-03-06"], "sugars_g": [8.33333333333333, 10.0, 11.6666666666667, "label", "per 0.25 cup (30 g)", "2026-03-06"], "fibre_g": [8.33333333333333, 10.0, 11.6666666666667, "label", "per 0.25 cup (30 g)", "2026-03-06"], "protein_g": [21.6666666666667, 23.3333333333333, 25.0, "label", "per 0.25 cup (30 g)", "2026-03-06"], "sodium_mg": [58.3333333333333, 66.6666666666667, 75.0, "label", "per 0.25 cup (30 g)", "2026-03-06"], "carbohydrate_g": [55.0, 56.6666666666667, 58.3333333333333, "label", "per 0.25 cup (30 g)", "2026-03-06"], "starch_g": [31.6666666666667, 36.6666666666667, 41.6666666666667, "by-difference", "per 0.25 cup (30 g), by difference", "2026-03-06"], "density_g_per_ml": [0.404204234122042, 0.48, 0.656936488169365, "label", "per 0.25 cup (30 g): the serving''s grams and volume", "2026-03-06"]}',0,'2026-03-14T09:30:00Z');
CREATE TABLE photo (
	id VARCHAR NOT NULL, 
	trial_id INTEGER NOT NULL, 
	moment VARCHAR NOT NULL, 
	arm VARCHAR NOT NULL, 
	picture BLOB NOT NULL, 
	thumbnail BLOB NOT NULL, 
	width INTEGER NOT NULL, 
	height INTEGER NOT NULL, 
	at VARCHAR NOT NULL, 
	CONSTRAINT pk_photo PRIMARY KEY (id), 
	CONSTRAINT fk_photo_trial_id_trial FOREIGN KEY(trial_id) REFERENCES trial (id)
);
CREATE TABLE reading (
	id VARCHAR NOT NULL, 
	trial_id INTEGER NOT NULL, 
	quantity VARCHAR NOT NULL, 
	value FLOAT, 
	arm VARCHAR NOT NULL, 
	method VARCHAR NOT NULL, 
	n INTEGER NOT NULL, 
	sd FLOAT, 
	day INTEGER NOT NULL, 
	at VARCHAR NOT NULL, 
	replaces VARCHAR NOT NULL, 
	withdrawn BOOLEAN NOT NULL, 
	CONSTRAINT pk_reading PRIMARY KEY (id), 
	CONSTRAINT fk_reading_trial_id_trial FOREIGN KEY(trial_id) REFERENCES trial (id)
);
INSERT INTO "reading" VALUES('bake-1',1,'water_poured_g',870.0,'','',1,NULL,0,'2026-03-03T08:00:00Z','',0);
CREATE TABLE revision (
	id INTEGER NOT NULL, 
	blend_id INTEGER NOT NULL, 
	number INTEGER NOT NULL, 
	why VARCHAR NOT NULL, 
	based_on INTEGER, 
	kept_at VARCHAR NOT NULL, content JSON DEFAULT '{}' NOT NULL, 
	CONSTRAINT pk_revision PRIMARY KEY (id), 
	CONSTRAINT fk_revision_blend_id_blend FOREIGN KEY(blend_id) REFERENCES blend (id), 
	CONSTRAINT uq_revision_blend_id_number UNIQUE (blend_id, number)
);
INSERT INTO "revision" VALUES(1,1,1,'First try: half starch, as the old buffet mix was.',NULL,'2026-02-21T12:30:00Z','{"use": "tin-loaf", "parts": [{"ingredient": "brown-rice-flour", "mass_g": 300.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 300.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 200.0, "locked": false}, {"ingredient": "sorghum-flour", "mass_g": 200.0, "locked": false}, {"ingredient": "psyllium-husk", "mass_g": 30.0, "locked": true}]}');
INSERT INTO "revision" VALUES(2,1,2,'Less starch, more sorghum: rev 1 was dry on the second day.',1,'2026-02-23T12:30:00Z','{"use": "tin-loaf", "parts": [{"ingredient": "sorghum-flour", "mass_g": 300.0, "locked": false}, {"ingredient": "brown-rice-flour", "mass_g": 230.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 250.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 170.0, "locked": false}, {"ingredient": "teff-flour", "mass_g": 50.0, "locked": false}, {"ingredient": "psyllium-husk", "mass_g": 40.0, "locked": true}]}');
INSERT INTO "revision" VALUES(3,1,3,'Teff up for colour and fibre.',2,'2026-02-25T12:30:00Z','{"use": "tin-loaf", "parts": [{"ingredient": "sorghum-flour", "mass_g": 300.0, "locked": false}, {"ingredient": "brown-rice-flour", "mass_g": 180.0, "locked": false}, {"ingredient": "teff-flour", "mass_g": 100.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 250.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 170.0, "locked": false}, {"ingredient": "psyllium-husk", "mass_g": 50.0, "locked": true}]}');
INSERT INTO "revision" VALUES(4,1,4,'Chickpea for protein and browning; a pinch less tapioca, rev 3 pulled in the mouth.',3,'2026-02-27T12:30:00Z','{"use": "tin-loaf", "parts": [{"ingredient": "sorghum-flour", "mass_g": 300.0, "locked": false}, {"ingredient": "brown-rice-flour", "mass_g": 150.0, "locked": false}, {"ingredient": "teff-flour", "mass_g": 110.0, "locked": false}, {"ingredient": "chickpea-flour", "mass_g": 70.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 220.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 150.0, "locked": false}, {"ingredient": "psyllium-husk", "mass_g": 50.0, "locked": true}]}');
INSERT INTO "revision" VALUES(5,2,1,'For the visitors who want it white.',NULL,'2026-02-23T12:30:00Z','{"use": "tin-loaf", "parts": [{"ingredient": "white-rice-flour", "mass_g": 480.0, "locked": false}, {"ingredient": "corn-starch", "mass_g": 240.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 280.0, "locked": false}, {"ingredient": "xanthan-gum", "mass_g": 12.0, "locked": false}]}');
INSERT INTO "revision" VALUES(6,3,1,'Almond for softness on day two.',NULL,'2026-02-25T12:30:00Z','{"use": "tin-loaf", "parts": [{"ingredient": "sorghum-flour", "mass_g": 280.0, "locked": false}, {"ingredient": "brown-rice-flour", "mass_g": 150.0, "locked": false}, {"ingredient": "teff-flour", "mass_g": 100.0, "locked": false}, {"ingredient": "almond-flour", "mass_g": 120.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 200.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 150.0, "locked": false}, {"ingredient": "psyllium-husk", "mass_g": 50.0, "locked": false}]}');
INSERT INTO "revision" VALUES(7,4,1,'Sunflower and flax, buckwheat for the bite.',NULL,'2026-02-27T12:30:00Z','{"use": "crispbread", "parts": [{"ingredient": "buckwheat-flour", "mass_g": 280.0, "locked": false}, {"ingredient": "sorghum-flour", "mass_g": 200.0, "locked": false}, {"ingredient": "sunflower-seed-flour", "mass_g": 150.0, "locked": false}, {"ingredient": "ground-flaxseed", "mass_g": 60.0, "locked": false}, {"ingredient": "millet-flour", "mass_g": 160.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 150.0, "locked": false}]}');
INSERT INTO "revision" VALUES(8,4,2,'Less flax: rev 1 bent instead of snapping.',1,'2026-03-01T12:30:00Z','{"use": "crispbread", "parts": [{"ingredient": "buckwheat-flour", "mass_g": 280.0, "locked": false}, {"ingredient": "sorghum-flour", "mass_g": 220.0, "locked": false}, {"ingredient": "sunflower-seed-flour", "mass_g": 150.0, "locked": false}, {"ingredient": "ground-flaxseed", "mass_g": 40.0, "locked": false}, {"ingredient": "millet-flour", "mass_g": 160.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 150.0, "locked": false}]}');
INSERT INTO "revision" VALUES(9,5,1,'Cheapest that might do.',NULL,'2026-03-01T12:30:00Z','{"use": "crispbread", "parts": [{"ingredient": "white-rice-flour", "mass_g": 420.0, "locked": false}, {"ingredient": "millet-flour", "mass_g": 250.0, "locked": false}, {"ingredient": "corn-starch", "mass_g": 330.0, "locked": false}]}');
INSERT INTO "revision" VALUES(10,6,1,'White rice and corn starch: rolls well, tastes of nothing.',NULL,'2026-03-03T12:30:00Z','{"use": "short-pastry", "parts": [{"ingredient": "white-rice-flour", "mass_g": 500.0, "locked": false}, {"ingredient": "corn-starch", "mass_g": 350.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 150.0, "locked": false}, {"ingredient": "xanthan-gum", "mass_g": 6.0, "locked": false}]}');
INSERT INTO "revision" VALUES(11,6,2,'Sorghum and oat in for flavour, rice down against the sand.',1,'2026-03-05T12:30:00Z','{"use": "short-pastry", "parts": [{"ingredient": "sorghum-flour", "mass_g": 260.0, "locked": false}, {"ingredient": "oat-flour", "mass_g": 160.0, "locked": false}, {"ingredient": "white-rice-flour", "mass_g": 140.0, "locked": false}, {"ingredient": "corn-starch", "mass_g": 280.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 110.0, "locked": false}, {"ingredient": "chickpea-flour", "mass_g": 50.0, "locked": false}, {"ingredient": "xanthan-gum", "mass_g": 6.0, "locked": false}]}');
INSERT INTO "revision" VALUES(12,7,1,'Tapioca for stretch, chickpea for bite.',NULL,'2026-03-05T12:30:00Z','{"use": "fresh-pasta", "parts": [{"ingredient": "brown-rice-flour", "mass_g": 220.0, "locked": false}, {"ingredient": "sorghum-flour", "mass_g": 200.0, "locked": false}, {"ingredient": "chickpea-flour", "mass_g": 160.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 220.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 180.0, "locked": false}, {"ingredient": "xanthan-gum", "mass_g": 15.0, "locked": false}]}');
INSERT INTO "revision" VALUES(13,8,1,'One bag for sauces, scones and breading, until each has its own.',NULL,'2026-03-07T12:30:00Z','{"use": "all-purpose", "parts": [{"ingredient": "sorghum-flour", "mass_g": 250.0, "locked": false, "lot_id": 4}, {"ingredient": "brown-rice-flour", "mass_g": 200.0, "locked": false}, {"ingredient": "oat-flour", "mass_g": 130.0, "locked": false, "lot_id": 9}, {"ingredient": "potato-starch", "mass_g": 200.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 130.0, "locked": false}, {"ingredient": "chickpea-flour", "mass_g": 60.0, "locked": false}, {"ingredient": "xanthan-gum", "mass_g": 5.0, "locked": false}]}');
CREATE TABLE schedule (
	id INTEGER NOT NULL, 
	brief_id INTEGER, 
	name VARCHAR NOT NULL, 
	archived BOOLEAN NOT NULL, 
	created_at VARCHAR NOT NULL, 
	updated_at VARCHAR NOT NULL, 
	version INTEGER NOT NULL, 
	CONSTRAINT pk_schedule PRIMARY KEY (id), 
	CONSTRAINT fk_schedule_brief_id_brief FOREIGN KEY(brief_id) REFERENCES brief (id)
);
CREATE TABLE schedule_draft (
	schedule_id INTEGER NOT NULL, 
	content JSON NOT NULL, 
	based_on INTEGER, 
	updated_at VARCHAR NOT NULL, 
	version INTEGER NOT NULL, 
	CONSTRAINT pk_schedule_draft PRIMARY KEY (schedule_id), 
	CONSTRAINT fk_schedule_draft_schedule_id_schedule FOREIGN KEY(schedule_id) REFERENCES schedule (id)
);
CREATE TABLE schedule_revision (
	id INTEGER NOT NULL, 
	schedule_id INTEGER NOT NULL, 
	number INTEGER NOT NULL, 
	content JSON NOT NULL, 
	why VARCHAR NOT NULL, 
	based_on INTEGER, 
	kept_at VARCHAR NOT NULL, 
	CONSTRAINT pk_schedule_revision PRIMARY KEY (id), 
	CONSTRAINT uq_schedule_revision_schedule_id_number UNIQUE (schedule_id, number), 
	CONSTRAINT fk_schedule_revision_schedule_id_schedule FOREIGN KEY(schedule_id) REFERENCES schedule (id)
);
CREATE TABLE seat (
	id INTEGER NOT NULL, 
	tasting_id INTEGER NOT NULL, 
	number INTEGER NOT NULL, 
	name VARCHAR NOT NULL, 
	avoids JSON NOT NULL, 
	left_out JSON NOT NULL, 
	lifted JSON NOT NULL, 
	plates JSON NOT NULL, 
	asked BOOLEAN NOT NULL, 
	begun_at VARCHAR NOT NULL, 
	handed_in_at VARCHAR NOT NULL, 
	dropped VARCHAR NOT NULL, 
	CONSTRAINT pk_seat PRIMARY KEY (id), 
	CONSTRAINT uq_seat_tasting_id UNIQUE (tasting_id, number), 
	CONSTRAINT fk_seat_tasting_id_tasting FOREIGN KEY(tasting_id) REFERENCES tasting (id)
);
INSERT INTO "seat" VALUES(1,1,1,'Signe','{"allergies": [], "by_choice": [], "coeliac": false}','[]','{}','[1, 2]',1,'','','');
INSERT INTO "seat" VALUES(2,1,2,'Tor','{"allergies": ["soya"], "by_choice": [], "coeliac": false}','[]','{}','[2, 1]',1,'','','');
CREATE TABLE seat_answer (
	seat_id INTEGER NOT NULL, 
	plate INTEGER NOT NULL, 
	method VARCHAR NOT NULL, 
	attribute VARCHAR NOT NULL, 
	late BOOLEAN NOT NULL, 
	value FLOAT, 
	text VARCHAR NOT NULL, 
	at VARCHAR NOT NULL, 
	CONSTRAINT pk_seat_answer PRIMARY KEY (seat_id, plate, method, attribute, late), 
	CONSTRAINT fk_seat_answer_seat_id_seat FOREIGN KEY(seat_id) REFERENCES seat (id)
);
INSERT INTO "seat_answer" VALUES(1,1,'liking','',0,8.0,'','2026-03-10T09:10:00Z');
INSERT INTO "seat_answer" VALUES(1,2,'liking','',0,6.0,'','2026-03-10T09:11:00Z');
CREATE TABLE sheet (
	token_hash VARCHAR NOT NULL, 
	kind VARCHAR NOT NULL, 
	about_id INTEGER NOT NULL, 
	created_at VARCHAR NOT NULL, 
	ends_at VARCHAR NOT NULL, 
	CONSTRAINT pk_sheet PRIMARY KEY (token_hash)
);
CREATE TABLE starter (
	id INTEGER NOT NULL, 
	name VARCHAR NOT NULL, 
	school VARCHAR NOT NULL, 
	archived BOOLEAN NOT NULL, 
	created_at VARCHAR NOT NULL, 
	version INTEGER NOT NULL, 
	CONSTRAINT pk_starter PRIMARY KEY (id)
);
CREATE TABLE step (
	id INTEGER NOT NULL, 
	from_trial INTEGER NOT NULL, 
	to_trial INTEGER NOT NULL, 
	fault VARCHAR NOT NULL, 
	cause VARCHAR NOT NULL, 
	change VARCHAR NOT NULL, 
	found_by_hand VARCHAR NOT NULL, 
	created_at VARCHAR NOT NULL, 
	CONSTRAINT pk_step PRIMARY KEY (id), 
	CONSTRAINT fk_step_from_trial_trial FOREIGN KEY(from_trial) REFERENCES trial (id), 
	CONSTRAINT fk_step_to_trial_trial FOREIGN KEY(to_trial) REFERENCES trial (id)
);
CREATE TABLE stock_move (
	id INTEGER NOT NULL, 
	lot_id INTEGER, 
	bag_id INTEGER, 
	batch_id INTEGER, 
	trial_id INTEGER, 
	kind VARCHAR NOT NULL, 
	mass_g FLOAT NOT NULL, 
	at VARCHAR NOT NULL, 
	why VARCHAR NOT NULL, 
	where_to VARCHAR NOT NULL, undoes INTEGER REFERENCES stock_move(id), 
	CONSTRAINT pk_stock_move PRIMARY KEY (id), 
	CONSTRAINT fk_stock_move_lot_id_lot FOREIGN KEY(lot_id) REFERENCES lot (id), 
	CONSTRAINT fk_stock_move_bag_id_bag FOREIGN KEY(bag_id) REFERENCES bag (id), 
	CONSTRAINT fk_stock_move_batch_id_batch FOREIGN KEY(batch_id) REFERENCES batch (id), 
	CONSTRAINT fk_stock_move_trial_id_trial FOREIGN KEY(trial_id) REFERENCES trial (id)
);
INSERT INTO "stock_move" VALUES(1,1,NULL,NULL,NULL,'opening',14200.0,'2026-02-17','','',NULL);
INSERT INTO "stock_move" VALUES(2,2,NULL,NULL,NULL,'opening',11800.0,'2026-02-14','','',NULL);
INSERT INTO "stock_move" VALUES(3,3,NULL,NULL,NULL,'opening',3100.0,'2026-02-11','','',NULL);
INSERT INTO "stock_move" VALUES(4,4,NULL,NULL,NULL,'opening',9400.0,'2026-02-08','','',NULL);
INSERT INTO "stock_move" VALUES(5,5,NULL,NULL,NULL,'opening',6000.0,'2026-02-05','','',NULL);
INSERT INTO "stock_move" VALUES(6,6,NULL,NULL,NULL,'opening',4300.0,'2026-02-02','','',NULL);
INSERT INTO "stock_move" VALUES(7,7,NULL,NULL,NULL,'opening',5500.0,'2026-01-30','','',NULL);
INSERT INTO "stock_move" VALUES(8,8,NULL,NULL,NULL,'opening',2200.0,'2026-01-27','','',NULL);
INSERT INTO "stock_move" VALUES(9,9,NULL,NULL,NULL,'opening',7700.0,'2026-01-24','','',NULL);
INSERT INTO "stock_move" VALUES(10,10,NULL,NULL,NULL,'opening',1900.0,'2026-01-21','','',NULL);
INSERT INTO "stock_move" VALUES(11,11,NULL,NULL,NULL,'opening',6600.0,'2026-01-18','','',NULL);
INSERT INTO "stock_move" VALUES(12,12,NULL,NULL,NULL,'opening',8100.0,'2026-01-15','','',NULL);
INSERT INTO "stock_move" VALUES(13,13,NULL,NULL,NULL,'opening',5200.0,'2026-01-12','','',NULL);
INSERT INTO "stock_move" VALUES(14,14,NULL,NULL,NULL,'opening',2800.0,'2026-01-09','','',NULL);
INSERT INTO "stock_move" VALUES(15,15,NULL,NULL,NULL,'opening',2400.0,'2026-01-06','','',NULL);
INSERT INTO "stock_move" VALUES(16,16,NULL,NULL,NULL,'opening',1100.0,'2026-01-03','','',NULL);
INSERT INTO "stock_move" VALUES(17,17,NULL,NULL,NULL,'opening',2900.0,'2025-12-31','','',NULL);
INSERT INTO "stock_move" VALUES(18,18,NULL,NULL,NULL,'opening',3400.0,'2025-12-28','','',NULL);
INSERT INTO "stock_move" VALUES(19,19,NULL,NULL,NULL,'opening',1700.0,'2025-12-25','','',NULL);
INSERT INTO "stock_move" VALUES(20,20,NULL,NULL,NULL,'opening',1300.0,'2025-12-22','','',NULL);
INSERT INTO "stock_move" VALUES(21,21,NULL,NULL,NULL,'opening',700.0,'2025-12-19','','',NULL);
INSERT INTO "stock_move" VALUES(22,22,NULL,NULL,NULL,'opening',800.0,'2025-12-16','','',NULL);
INSERT INTO "stock_move" VALUES(23,30,NULL,NULL,NULL,'opening',10000.0,'2026-03-10','','',NULL);
INSERT INTO "stock_move" VALUES(24,4,NULL,1,NULL,'weighed',-259.0,'2026-03-12T09:00:00Z','','',NULL);
INSERT INTO "stock_move" VALUES(25,2,NULL,1,NULL,'weighed',-207.0,'2026-03-12T09:00:00Z','','',NULL);
INSERT INTO "stock_move" VALUES(26,9,NULL,1,NULL,'weighed',-135.0,'2026-03-12T09:00:00Z','','',NULL);
INSERT INTO "stock_move" VALUES(27,12,NULL,1,NULL,'weighed',-207.0,'2026-03-12T09:00:00Z','','',NULL);
INSERT INTO "stock_move" VALUES(28,13,NULL,1,NULL,'weighed',-135.0,'2026-03-12T09:00:00Z','','',NULL);
INSERT INTO "stock_move" VALUES(29,18,NULL,1,NULL,'weighed',-62.0,'2026-03-12T09:00:00Z','','',NULL);
INSERT INTO "stock_move" VALUES(30,21,NULL,1,NULL,'weighed',-5.18000518000518095362e+00,'2026-03-12T09:00:00Z','','',NULL);
INSERT INTO "stock_move" VALUES(31,NULL,1,1,NULL,'bagged',480.0,'2026-03-12T09:00:00Z','','',NULL);
INSERT INTO "stock_move" VALUES(32,NULL,1,1,NULL,'gone-out',-100.0,'2026-03-12T09:00:00Z','','Lake cafe',NULL);
CREATE TABLE tasting (
	id INTEGER NOT NULL, 
	name VARCHAR NOT NULL, 
	stage VARCHAR NOT NULL, 
	samples JSON NOT NULL, 
	asked JSON NOT NULL, 
	plates JSON NOT NULL, 
	note VARCHAR NOT NULL, 
	created_at VARCHAR NOT NULL, 
	updated_at VARCHAR NOT NULL, 
	opened_at VARCHAR NOT NULL, 
	closed_at VARCHAR NOT NULL, 
	unblinded_at VARCHAR NOT NULL, 
	unblinded_by VARCHAR NOT NULL, 
	archived BOOLEAN NOT NULL, 
	version INTEGER NOT NULL, 
	CONSTRAINT pk_tasting PRIMARY KEY (id)
);
INSERT INTO "tasting" VALUES(1,'Tuesday table','unblinded','[{"number": 1, "kind": "trial", "about": 1, "name": "Loaf 1"}, {"number": 2, "kind": "bag", "about": null, "name": "market loaf", "marks": ["soya"], "complete": true, "gluten": "known"}]','{}','[[1, 1, 418], [2, 2, 572]]','','2026-03-10T09:00:00Z','2026-03-10T09:50:00Z','2026-03-10T09:05:00Z','2026-03-10T09:40:00Z','2026-03-10T09:50:00Z','Berit',0,4);
CREATE TABLE tasting_log (
	id INTEGER NOT NULL, 
	tasting_id INTEGER NOT NULL, 
	at VARCHAR NOT NULL, 
	what VARCHAR NOT NULL, 
	who VARCHAR NOT NULL, 
	detail VARCHAR NOT NULL, 
	CONSTRAINT pk_tasting_log PRIMARY KEY (id), 
	CONSTRAINT fk_tasting_log_tasting_id_tasting FOREIGN KEY(tasting_id) REFERENCES tasting (id)
);
INSERT INTO "tasting_log" VALUES(1,1,'2026-03-10T09:50:00Z','unblinded','Berit','');
CREATE TABLE trial (
	id INTEGER NOT NULL, 
	formula_id INTEGER NOT NULL, 
	formula_revision INTEGER, 
	name VARCHAR NOT NULL, 
	content JSON NOT NULL, 
	"plan" JSON NOT NULL, 
	setup JSON NOT NULL, 
	because JSON NOT NULL, 
	blend VARCHAR NOT NULL, 
	use VARCHAR NOT NULL, 
	family VARCHAR NOT NULL, 
	baked_on VARCHAR NOT NULL, 
	note VARCHAR NOT NULL, 
	parent_id INTEGER, 
	dough_of INTEGER, 
	kept_h FLOAT, 
	kept_c FLOAT, 
	schedule_id INTEGER, 
	set_aside BOOLEAN NOT NULL, 
	withdrawn BOOLEAN NOT NULL, 
	created_at VARCHAR NOT NULL, 
	updated_at VARCHAR NOT NULL, 
	version INTEGER NOT NULL, 
	CONSTRAINT pk_trial PRIMARY KEY (id), 
	CONSTRAINT fk_trial_formula_id_formula FOREIGN KEY(formula_id) REFERENCES formula (id), 
	CONSTRAINT fk_trial_parent_id_trial FOREIGN KEY(parent_id) REFERENCES trial (id), 
	CONSTRAINT fk_trial_dough_of_trial FOREIGN KEY(dough_of) REFERENCES trial (id), 
	CONSTRAINT fk_trial_schedule_id_schedule FOREIGN KEY(schedule_id) REFERENCES schedule (id)
);
INSERT INTO "trial" VALUES(1,1,1,'Summit tin loaf','{"use": "tin-loaf", "consistency": "soft", "school": null, "pieces": 2, "pan": null, "method": "", "blend": {"blend_id": 1, "revision": 3, "name": "Summit mix", "parts": [{"ingredient": "sorghum-flour", "mass_g": 300.0, "locked": false}, {"ingredient": "brown-rice-flour", "mass_g": 180.0, "locked": false}, {"ingredient": "teff-flour", "mass_g": 100.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 250.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 170.0, "locked": false}, {"ingredient": "psyllium-husk", "mass_g": 50.0, "locked": true}]}, "lines": [{"ingredient": "@blend", "mass_g": 1000, "stage": "dry", "note": ""}, {"ingredient": "water", "mass_g": 830, "stage": "wet", "note": "tepid"}, {"ingredient": "salt", "mass_g": 18, "stage": "dry", "note": ""}]}','{"predicted_pct": [88.0, null, null, "thirst and binder"], "flour_g": [952.4, null, null, "the formula"], "other_water_g": [0.4936000000000149, null, null, "the formula"]}','{}','{}','blend:1','tin-loaf','yeasted','2026-03-03','held',NULL,NULL,NULL,NULL,NULL,0,0,'2026-03-03T08:00:00Z','2026-03-03T08:00:00Z',1);
CREATE TABLE weighing (
	id INTEGER NOT NULL, 
	batch_id INTEGER NOT NULL, 
	"key" VARCHAR NOT NULL, 
	ingredient VARCHAR NOT NULL, 
	lot_id INTEGER, 
	target_g FLOAT NOT NULL, 
	tolerance_g FLOAT NOT NULL, 
	gross_g FLOAT NOT NULL, 
	tare_g FLOAT NOT NULL, 
	net_g FLOAT NOT NULL, 
	scale VARCHAR NOT NULL, 
	step_g FLOAT NOT NULL, 
	typed BOOLEAN NOT NULL, 
	at VARCHAR NOT NULL, 
	voids INTEGER, 
	why VARCHAR NOT NULL, bag_id INTEGER REFERENCES bag(id), 
	CONSTRAINT pk_weighing PRIMARY KEY (id), 
	CONSTRAINT uq_weighing_key UNIQUE ("key"), 
	CONSTRAINT fk_weighing_batch_id_batch FOREIGN KEY(batch_id) REFERENCES batch (id), 
	CONSTRAINT fk_weighing_lot_id_lot FOREIGN KEY(lot_id) REFERENCES lot (id), 
	CONSTRAINT fk_weighing_voids_weighing FOREIGN KEY(voids) REFERENCES weighing (id)
);
INSERT INTO "weighing" VALUES(1,1,'released-0','sorghum-flour',4,259.0,2.0,259.0,0.0,259.0,'Simulated scale',1.0,0,'2026-03-12T09:00:00Z',NULL,'',NULL);
INSERT INTO "weighing" VALUES(2,1,'released-1','brown-rice-flour',2,207.0,2.0,207.0,0.0,207.0,'Simulated scale',1.0,0,'2026-03-12T09:00:00Z',NULL,'',NULL);
INSERT INTO "weighing" VALUES(3,1,'released-2','oat-flour',9,135.0,2.0,135.0,0.0,135.0,'Simulated scale',1.0,0,'2026-03-12T09:00:00Z',NULL,'',NULL);
INSERT INTO "weighing" VALUES(4,1,'released-3','potato-starch',12,207.0,2.0,207.0,0.0,207.0,'Simulated scale',1.0,0,'2026-03-12T09:00:00Z',NULL,'',NULL);
INSERT INTO "weighing" VALUES(5,1,'released-4','tapioca-starch',13,135.0,2.0,135.0,0.0,135.0,'Simulated scale',1.0,0,'2026-03-12T09:00:00Z',NULL,'',NULL);
INSERT INTO "weighing" VALUES(6,1,'released-5','chickpea-flour',18,62.0,2.0,62.0,0.0,62.0,'Simulated scale',1.0,0,'2026-03-12T09:00:00Z',NULL,'',NULL);
INSERT INTO "weighing" VALUES(7,1,'released-6','xanthan-gum',21,5.18000518000518095362e+00,2.0,5.18000518000518095362e+00,0.0,5.18000518000518095362e+00,'Simulated scale',1.0,0,'2026-03-12T09:00:00Z',NULL,'',NULL);
CREATE TABLE workplace (
	id INTEGER NOT NULL, 
	zone VARCHAR NOT NULL, 
	content JSON NOT NULL, 
	version INTEGER NOT NULL, 
	CONSTRAINT pk_workplace PRIMARY KEY (id)
);
CREATE INDEX ix_alias_ingredient ON alias (ingredient);
CREATE INDEX ix_blend_brief_id ON blend (brief_id);
CREATE INDEX ix_lot_ingredient ON lot (ingredient);
CREATE INDEX ix_revision_blend_id ON revision (blend_id);
CREATE UNIQUE INDEX uq_numbers_ingredient ON numbers (ingredient, layer) WHERE lot_id IS NULL;
CREATE UNIQUE INDEX uq_numbers_lot_id ON numbers (lot_id, layer);
CREATE INDEX ix_ingredient_touched ON ingredient (touched);
CREATE INDEX ix_panel_ingredient ON panel (ingredient);
CREATE INDEX ix_bench_test_ingredient ON bench_test (ingredient);
CREATE INDEX ix_formula_brief_id ON formula (brief_id);
CREATE INDEX ix_formula_revision_formula_id ON formula_revision (formula_id);
CREATE TRIGGER formula_revision_no_update BEFORE UPDATE ON formula_revision BEGIN SELECT RAISE(ABORT, 'revisions are append-only'); END;
CREATE TRIGGER formula_revision_no_delete BEFORE DELETE ON formula_revision BEGIN SELECT RAISE(ABORT, 'revisions are append-only'); END;
CREATE TRIGGER revision_no_update BEFORE UPDATE ON revision BEGIN SELECT RAISE(ABORT, 'revisions are append-only'); END;
CREATE TRIGGER revision_no_delete BEFORE DELETE ON revision BEGIN SELECT RAISE(ABORT, 'revisions are append-only'); END;
CREATE TRIGGER revision_no_replace BEFORE INSERT ON revision WHEN EXISTS (SELECT 1 FROM revision WHERE id = NEW.id OR (blend_id = NEW.blend_id AND number = NEW.number)) BEGIN SELECT RAISE(ABORT, 'revisions are append-only'); END;
CREATE TRIGGER formula_revision_no_replace BEFORE INSERT ON formula_revision WHEN EXISTS (SELECT 1 FROM formula_revision WHERE id = NEW.id OR (formula_id = NEW.formula_id AND number = NEW.number)) BEGIN SELECT RAISE(ABORT, 'revisions are append-only'); END;
CREATE INDEX ix_schedule_brief_id ON schedule (brief_id);
CREATE INDEX ix_schedule_revision_schedule_id ON schedule_revision (schedule_id);
CREATE TRIGGER schedule_revision_no_update BEFORE UPDATE ON schedule_revision BEGIN SELECT RAISE(ABORT, 'revisions are append-only'); END;
CREATE TRIGGER schedule_revision_no_delete BEFORE DELETE ON schedule_revision BEGIN SELECT RAISE(ABORT, 'revisions are append-only'); END;
CREATE TRIGGER schedule_revision_no_replace BEFORE INSERT ON schedule_revision WHEN EXISTS (SELECT 1 FROM schedule_revision WHERE id = NEW.id OR (schedule_id = NEW.schedule_id AND number = NEW.number)) BEGIN SELECT RAISE(ABORT, 'revisions are append-only'); END;
CREATE INDEX ix_observation_schedule_id ON observation (schedule_id);
CREATE INDEX ix_feeding_starter_id ON feeding (starter_id);
CREATE INDEX ix_trial_formula_id ON trial (formula_id);
CREATE INDEX ix_trial_parent_id ON trial (parent_id);
CREATE INDEX ix_reading_trial_id ON reading (trial_id);
CREATE INDEX ix_reading_quantity ON reading (quantity);
CREATE INDEX ix_photo_trial_id ON photo (trial_id);
CREATE INDEX ix_step_from_trial ON step (from_trial);
CREATE INDEX ix_step_to_trial ON step (to_trial);
CREATE TRIGGER trial_no_delete BEFORE DELETE ON trial BEGIN SELECT RAISE(ABORT, 'trials are never deleted'); END;
CREATE TRIGGER trial_no_replace BEFORE INSERT ON trial WHEN EXISTS (SELECT 1 FROM trial WHERE id = NEW.id) BEGIN SELECT RAISE(ABORT, 'trials are never replaced'); END;
CREATE TRIGGER step_no_delete BEFORE DELETE ON step BEGIN SELECT RAISE(ABORT, 'steps are never deleted'); END;
CREATE TRIGGER step_no_replace BEFORE INSERT ON step WHEN EXISTS (SELECT 1 FROM step WHERE id = NEW.id) BEGIN SELECT RAISE(ABORT, 'steps are never replaced'); END;
CREATE TRIGGER reading_no_delete BEFORE DELETE ON reading BEGIN SELECT RAISE(ABORT, 'readings are never deleted'); END;
CREATE TRIGGER reading_no_replace BEFORE INSERT ON reading WHEN EXISTS (SELECT 1 FROM reading WHERE id = NEW.id) BEGIN SELECT RAISE(ABORT, 'readings are never replaced'); END;
CREATE TRIGGER reading_no_update BEFORE UPDATE OF id, trial_id, quantity, value, arm, method, n, sd, day, at, replaces ON reading BEGIN SELECT RAISE(ABORT, 'readings are append-only'); END;
CREATE INDEX ix_seat_tasting_id ON seat (tasting_id);
CREATE INDEX ix_tasting_log_tasting_id ON tasting_log (tasting_id);
CREATE TRIGGER tasting_log_no_update BEFORE UPDATE ON tasting_log BEGIN SELECT RAISE(ABORT, 'the log of a tasting is append-only'); END;
CREATE TRIGGER tasting_log_no_delete BEFORE DELETE ON tasting_log BEGIN SELECT RAISE(ABORT, 'the log of a tasting is append-only'); END;
CREATE TRIGGER seat_answer_frozen_insert BEFORE INSERT ON seat_answer WHEN NOT NEW.late AND EXISTS (SELECT 1 FROM seat JOIN tasting ON tasting.id = seat.tasting_id WHERE seat.id = NEW.seat_id AND tasting.stage = 'unblinded') BEGIN SELECT RAISE(ABORT, 'answers are frozen once a table was unblinded'); END;
CREATE TRIGGER seat_answer_frozen_update BEFORE UPDATE ON seat_answer WHEN NOT OLD.late AND EXISTS (SELECT 1 FROM seat JOIN tasting ON tasting.id = seat.tasting_id WHERE seat.id = OLD.seat_id AND tasting.stage = 'unblinded') BEGIN SELECT RAISE(ABORT, 'answers are frozen once a table was unblinded'); END;
CREATE TRIGGER seat_answer_frozen_delete BEFORE DELETE ON seat_answer WHEN NOT OLD.late AND EXISTS (SELECT 1 FROM seat JOIN tasting ON tasting.id = seat.tasting_id WHERE seat.id = OLD.seat_id AND tasting.stage = 'unblinded') BEGIN SELECT RAISE(ABORT, 'answers are frozen once a table was unblinded'); END;
CREATE INDEX ix_experiment_formula_id ON experiment (formula_id);
CREATE INDEX ix_batch_code ON batch (code);
CREATE INDEX ix_batch_blend_id ON batch (blend_id);
CREATE INDEX ix_weighing_batch_id ON weighing (batch_id);
CREATE INDEX ix_batch_step_batch_id ON batch_step (batch_id);
CREATE INDEX ix_bag_batch_id ON bag (batch_id);
CREATE INDEX ix_label_print_batch_id ON label_print (batch_id);
CREATE INDEX ix_weighing_lot_id ON weighing (lot_id);
CREATE INDEX ix_stock_move_lot_id ON stock_move (lot_id);
CREATE INDEX ix_stock_move_bag_id ON stock_move (bag_id);
CREATE INDEX ix_stock_move_batch_id ON stock_move (batch_id);
CREATE INDEX ix_hold_lot_id ON hold (lot_id);
CREATE INDEX ix_hold_batch_id ON hold (batch_id);
CREATE TRIGGER weighing_no_update BEFORE UPDATE ON weighing BEGIN SELECT RAISE(ABORT, 'what is in weighing is only added to'); END;
CREATE TRIGGER weighing_no_delete BEFORE DELETE ON weighing BEGIN SELECT RAISE(ABORT, 'what is in weighing is only added to'); END;
CREATE TRIGGER batch_step_no_update BEFORE UPDATE ON batch_step BEGIN SELECT RAISE(ABORT, 'what is in batch_step is only added to'); END;
CREATE TRIGGER batch_step_no_delete BEFORE DELETE ON batch_step BEGIN SELECT RAISE(ABORT, 'what is in batch_step is only added to'); END;
CREATE TRIGGER label_print_no_update BEFORE UPDATE ON label_print BEGIN SELECT RAISE(ABORT, 'what is in label_print is only added to'); END;
CREATE TRIGGER label_print_no_delete BEFORE DELETE ON label_print BEGIN SELECT RAISE(ABORT, 'what is in label_print is only added to'); END;
CREATE TRIGGER stock_move_no_update BEFORE UPDATE ON stock_move BEGIN SELECT RAISE(ABORT, 'what is in stock_move is only added to'); END;
CREATE TRIGGER stock_move_no_delete BEFORE DELETE ON stock_move BEGIN SELECT RAISE(ABORT, 'what is in stock_move is only added to'); END;
CREATE INDEX ix_bag_bin_id ON bag (bin_id);
CREATE INDEX ix_weighing_bag_id ON weighing (bag_id);
CREATE INDEX ix_stock_move_undoes ON stock_move (undoes);
COMMIT;
