BEGIN TRANSACTION;
CREATE TABLE alembic_version (
	version_num VARCHAR(32) NOT NULL, 
	CONSTRAINT alembic_version_pkc PRIMARY KEY (version_num)
);
INSERT INTO "alembic_version" VALUES('0003');
CREATE TABLE alias (
	id INTEGER NOT NULL, 
	ingredient VARCHAR NOT NULL, 
	alias VARCHAR NOT NULL, 
	place VARCHAR NOT NULL, 
	CONSTRAINT pk_alias PRIMARY KEY (id), 
	CONSTRAINT fk_alias_ingredient_ingredient FOREIGN KEY(ingredient) REFERENCES ingredient (slug)
);
CREATE TABLE bake (
	id INTEGER NOT NULL, 
	formula_id INTEGER NOT NULL, 
	blend VARCHAR NOT NULL, 
	use VARCHAR NOT NULL, 
	family VARCHAR NOT NULL, 
	baked_on VARCHAR NOT NULL, 
	flour_g FLOAT NOT NULL, 
	poured_g FLOAT NOT NULL, 
	actual_pct FLOAT NOT NULL, 
	predicted_pct FLOAT NOT NULL, 
	note VARCHAR NOT NULL, 
	withdrawn BOOLEAN NOT NULL, 
	created_at VARCHAR NOT NULL, 
	CONSTRAINT pk_bake PRIMARY KEY (id), 
	CONSTRAINT fk_bake_formula_id_formula FOREIGN KEY(formula_id) REFERENCES formula (id)
);
INSERT INTO "bake" VALUES(1,1,'blend:1','tin-loaf','yeasted','2026-03-03',952.4,870.0,91.4,88.0,'held',0,'2026-03-03T08:00:00Z');
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
CREATE TABLE blend (
	id INTEGER NOT NULL, 
	brief_id INTEGER, 
	name VARCHAR NOT NULL, 
	use VARCHAR, 
	archived BOOLEAN NOT NULL, 
	created_at VARCHAR NOT NULL, 
	updated_at VARCHAR NOT NULL, 
	version INTEGER NOT NULL, 
	CONSTRAINT pk_blend PRIMARY KEY (id), 
	CONSTRAINT fk_blend_brief_id_brief FOREIGN KEY(brief_id) REFERENCES brief (id)
);
INSERT INTO "blend" VALUES(1,1,'Summit mix','tin-loaf',0,'2026-02-21T09:30:00Z','2026-02-21T09:30:00Z',1);
INSERT INTO "blend" VALUES(2,1,'Summit mix, pale','tin-loaf',0,'2026-02-23T09:30:00Z','2026-02-23T09:30:00Z',1);
INSERT INTO "blend" VALUES(3,1,'Summit mix with almond','tin-loaf',0,'2026-02-25T09:30:00Z','2026-02-25T09:30:00Z',1);
INSERT INTO "blend" VALUES(4,2,'Viaduct seed crisp','crispbread',0,'2026-02-27T09:30:00Z','2026-02-27T09:30:00Z',1);
INSERT INTO "blend" VALUES(5,2,'Viaduct plain','crispbread',0,'2026-03-01T09:30:00Z','2026-03-01T09:30:00Z',1);
INSERT INTO "blend" VALUES(6,3,'Trolley short mix','short-pastry',0,'2026-03-03T09:30:00Z','2026-03-03T09:30:00Z',1);
INSERT INTO "blend" VALUES(7,4,'Dumpling sheet mix','fresh-pasta',0,'2026-03-05T09:30:00Z','2026-03-05T09:30:00Z',1);
INSERT INTO "blend" VALUES(8,NULL,'Everyday buffet mix','all-purpose',0,'2026-03-07T09:30:00Z','2026-03-07T09:30:00Z',1);
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
	parts JSON NOT NULL, 
	based_on INTEGER, 
	updated_at VARCHAR NOT NULL, 
	version INTEGER NOT NULL, 
	CONSTRAINT pk_draft PRIMARY KEY (blend_id), 
	CONSTRAINT fk_draft_blend_id_blend FOREIGN KEY(blend_id) REFERENCES blend (id)
);
INSERT INTO "draft" VALUES(1,'[{"ingredient": "sorghum-flour", "mass_g": 290.0, "locked": false}, {"ingredient": "brown-rice-flour", "mass_g": 140.0, "locked": false}, {"ingredient": "teff-flour", "mass_g": 120.0, "locked": false}, {"ingredient": "chickpea-flour", "mass_g": 80.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 220.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 150.0, "locked": false}, {"ingredient": "psyllium-husk", "mass_g": 50.0, "locked": true}]',4,'2026-02-21T09:30:00Z',10);
INSERT INTO "draft" VALUES(2,'[{"ingredient": "white-rice-flour", "mass_g": 480.0, "locked": false}, {"ingredient": "corn-starch", "mass_g": 240.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 280.0, "locked": false}, {"ingredient": "xanthan-gum", "mass_g": 12.0, "locked": false}]',1,'2026-02-23T12:30:00Z',3);
INSERT INTO "draft" VALUES(3,'[{"ingredient": "sorghum-flour", "mass_g": 280.0, "locked": false}, {"ingredient": "brown-rice-flour", "mass_g": 150.0, "locked": false}, {"ingredient": "teff-flour", "mass_g": 100.0, "locked": false}, {"ingredient": "almond-flour", "mass_g": 120.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 200.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 150.0, "locked": false}, {"ingredient": "psyllium-husk", "mass_g": 50.0, "locked": false}]',1,'2026-02-25T12:30:00Z',3);
INSERT INTO "draft" VALUES(4,'[{"ingredient": "buckwheat-flour", "mass_g": 280.0, "locked": false}, {"ingredient": "sorghum-flour", "mass_g": 220.0, "locked": false}, {"ingredient": "sunflower-seed-flour", "mass_g": 150.0, "locked": false}, {"ingredient": "ground-flaxseed", "mass_g": 40.0, "locked": false}, {"ingredient": "millet-flour", "mass_g": 160.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 150.0, "locked": false}]',2,'2026-03-01T12:30:00Z',5);
INSERT INTO "draft" VALUES(5,'[{"ingredient": "white-rice-flour", "mass_g": 420.0, "locked": false}, {"ingredient": "millet-flour", "mass_g": 250.0, "locked": false}, {"ingredient": "corn-starch", "mass_g": 330.0, "locked": false}]',1,'2026-03-01T12:30:00Z',3);
INSERT INTO "draft" VALUES(6,'[{"ingredient": "sorghum-flour", "mass_g": 260.0, "locked": false}, {"ingredient": "oat-flour", "mass_g": 160.0, "locked": false}, {"ingredient": "white-rice-flour", "mass_g": 140.0, "locked": false}, {"ingredient": "corn-starch", "mass_g": 280.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 110.0, "locked": false}, {"ingredient": "chickpea-flour", "mass_g": 50.0, "locked": false}, {"ingredient": "xanthan-gum", "mass_g": 6.0, "locked": false}]',2,'2026-03-05T12:30:00Z',5);
INSERT INTO "draft" VALUES(7,'[{"ingredient": "brown-rice-flour", "mass_g": 120.0, "locked": false}, {"ingredient": "sorghum-flour", "mass_g": 260.0, "locked": false}, {"ingredient": "oat-flour", "mass_g": 100.0, "locked": false}, {"ingredient": "chickpea-flour", "mass_g": 150.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 190.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 160.0, "locked": false}, {"ingredient": "xanthan-gum", "mass_g": 15.0, "locked": false}]',1,'2026-03-05T09:30:00Z',4);
INSERT INTO "draft" VALUES(8,'[{"ingredient": "sorghum-flour", "mass_g": 250.0, "locked": false, "lot_id": 4}, {"ingredient": "brown-rice-flour", "mass_g": 200.0, "locked": false}, {"ingredient": "oat-flour", "mass_g": 130.0, "locked": false, "lot_id": 9}, {"ingredient": "potato-starch", "mass_g": 200.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 130.0, "locked": false}, {"ingredient": "chickpea-flour", "mass_g": 60.0, "locked": false}, {"ingredient": "xanthan-gum", "mass_g": 5.0, "locked": false}]',1,'2026-03-07T12:30:00Z',3);
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
	position INTEGER NOT NULL, version INTEGER DEFAULT '1' NOT NULL, touched INTEGER DEFAULT '0' NOT NULL, 
	CONSTRAINT pk_ingredient PRIMARY KEY (slug)
);
INSERT INTO "ingredient" VALUES('white-rice-flour','White rice flour','refined_flour','library','["neutral", "milky"]','[]','[]','medium',60.0,'gritty and dry above','high',0,0,1,3);
INSERT INTO "ingredient" VALUES('brown-rice-flour','Brown rice flour','whole_grain','library','["nutty", "earthy"]','[]','[]','medium',50.0,'gritty above','high',0,1,1,12);
INSERT INTO "ingredient" VALUES('glutinous-rice-flour','Glutinous (sweet) rice flour','refined_flour','library','["sweet", "milky"]','[]','[]','medium',25.0,'gluey above','high',0,2,1,3);
INSERT INTO "ingredient" VALUES('sorghum-flour','Sorghum flour (whole grain)','whole_grain','library','["mild", "sweet"]','[]','[]','medium',45.0,'drying above','medium',0,3,1,11);
INSERT INTO "ingredient" VALUES('millet-flour','Millet flour (proso/common)','whole_grain','library','["corn-like", "slightly bitter"]','[]','[]','high-needs-certified',30.0,'crumbly, slightly bitter above','medium',0,4,1,3);
INSERT INTO "ingredient" VALUES('teff-flour','Teff flour','whole_grain','library','["malty", "cocoa-like"]','[]','[]','medium',25.0,'dark, molasses note','medium',0,7,2,15);
INSERT INTO "ingredient" VALUES('buckwheat-flour','Buckwheat flour (whole groat)','whole_grain','library','["toasty", "bitter"]','[]','["buckwheat"]','high-needs-certified',30.0,'strong, greys the crumb','medium',0,8,1,3);
INSERT INTO "ingredient" VALUES('light-buckwheat-flour','Light buckwheat flour','refined_flour','library','["nutty", "floral"]','[]','["buckwheat"]','high-needs-certified',40.0,'mild but crumbly above','low',0,9,1,3);
INSERT INTO "ingredient" VALUES('oat-flour','Oat flour (whole)','whole_grain','library','["sweet", "oaty"]','[]','["oats"]','high-needs-certified',40.0,'gummy above','medium',0,11,1,13);
INSERT INTO "ingredient" VALUES('quinoa-flour','Quinoa flour','whole_grain','library','["grassy", "bitter"]','[]','[]','medium',20.0,'bitter above','medium',0,13,1,3);
INSERT INTO "ingredient" VALUES('corn-starch','Corn starch','starch','library','["neutral", "clean"]','[]','["maize"]','low',35.0,'chalky, dry above','high',0,19,1,3);
INSERT INTO "ingredient" VALUES('potato-starch','Potato starch','starch','library','["neutral", "clean"]','[]','[]','low',35.0,'dries out, soft above','high',0,20,1,3);
INSERT INTO "ingredient" VALUES('tapioca-starch','Tapioca starch','starch','library','["neutral", "clean"]','[]','[]','low',30.0,'gluey, tough crust above','high',0,21,1,3);
INSERT INTO "ingredient" VALUES('cassava-flour','Cassava flour (whole root)','root_flour','library','["mild", "earthy"]','[]','[]','low',40.0,'dense, chewy above','medium',0,24,1,3);
INSERT INTO "ingredient" VALUES('almond-flour','Almond flour (blanched)','nut_seed','library','["sweet", "nutty"]','["tree-nuts"]','[]','medium',30.0,'rich, dense above in doughs that rise','high',0,27,1,3);
INSERT INTO "ingredient" VALUES('chestnut-flour','Chestnut flour','nut_seed','library','["sweet", "chestnut"]','[]','["chestnut"]','medium',25.0,'sweet, dense','medium',0,31,1,3);
INSERT INTO "ingredient" VALUES('sunflower-seed-flour','Sunflower seed flour (ground kernels, full fat)','nut_seed','library','["nutty", "green"]','[]','[]','medium',15.0,'greens with soda','low',0,35,1,3);
INSERT INTO "ingredient" VALUES('ground-flaxseed','Ground flaxseed','nut_seed','library','["nutty", "grassy"]','[]','[]','medium',10.0,'slimy above','medium',0,39,1,3);
INSERT INTO "ingredient" VALUES('chickpea-flour','Chickpea flour (besan)','legume','library','["beany", "nutty"]','[]','["legume"]','medium',20.0,'beany above','high',0,41,1,14);
INSERT INTO "ingredient" VALUES('psyllium-husk','Psyllium husk (whole)','binder','library','["neutral", "earthy"]','[]','[]','medium',NULL,'','medium',0,48,1,3);
INSERT INTO "ingredient" VALUES('xanthan-gum','Xanthan gum','binder','library','["neutral", "clean"]','[]','["gum"]','low',NULL,'','medium',0,50,1,3);
INSERT INTO "ingredient" VALUES('guar-gum','Guar gum','binder','library','["beany", "neutral"]','[]','["gum"]','low',NULL,'','medium',0,51,1,3);
INSERT INTO "ingredient" VALUES('toasted-millet-flour','Toasted millet flour','whole_grain','own','["corn-like", "slightly bitter"]','[]','[]','high-needs-certified',NULL,'crumbly, slightly bitter above','medium',0,100000,5,8);
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
	version INTEGER NOT NULL, 
	CONSTRAINT pk_kitchen PRIMARY KEY (id)
);
INSERT INTO "kitchen" VALUES(1,'Tarn Line Provisions','metric','metric','g','c','kj','','by-moisture',20.0,30.0,'',15,1);
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
	gluten_basis VARCHAR NOT NULL, bought_on VARCHAR, pack_g FLOAT, pack_price FLOAT, yield_pct FLOAT DEFAULT '100' NOT NULL, gluten_on VARCHAR, note VARCHAR DEFAULT '' NOT NULL, archived BOOLEAN DEFAULT '0' NOT NULL, version INTEGER DEFAULT '1' NOT NULL, 
	CONSTRAINT pk_lot PRIMARY KEY (id), 
	CONSTRAINT fk_lot_ingredient_ingredient FOREIGN KEY(ingredient) REFERENCES ingredient (slug)
);
INSERT INTO "lot" VALUES(1,'white-rice-flour','SM-2214','Scarth Mill',25000.0,14200.0,2.1,'2027-01-08',5.0,'supplier''s test, at most','2026-02-17',NULL,NULL,100.0,'2026-02-17','',0,1);
INSERT INTO "lot" VALUES(2,'brown-rice-flour','SM-2231','Scarth Mill',25000.0,11800.0,2.45,'2026-08-01',5.0,'supplier''s test, at most','2026-02-14',NULL,NULL,100.0,'2026-02-14','',0,1);
INSERT INTO "lot" VALUES(3,'glutinous-rice-flour','CB-0917','Copperbeck Stores',5000.0,3100.0,3.6,'2027-04-18',NULL,'','2026-02-11',NULL,NULL,100.0,NULL,'',0,1);
INSERT INTO "lot" VALUES(4,'sorghum-flour','LI-061','Low Ings Farm',20000.0,9400.0,3.1,'2026-08-11',5.0,'supplier''s test, at most','2026-02-08',NULL,NULL,100.0,'2026-02-08','',0,1);
INSERT INTO "lot" VALUES(5,'millet-flour','LI-064','Low Ings Farm',10000.0,6000.0,2.95,'2026-05-28',8.0,'supplier''s test, at most','2026-02-05',NULL,NULL,100.0,'2026-02-05','',0,1);
INSERT INTO "lot" VALUES(6,'teff-flour','SM-2240','Scarth Mill',10000.0,4300.0,5.8,'2026-10-10',5.0,'supplier''s test, at most','2026-02-02',NULL,NULL,100.0,'2026-02-02','',0,1);
INSERT INTO "lot" VALUES(7,'buckwheat-flour','LI-058','Low Ings Farm',12500.0,5500.0,3.7,'2026-06-17',NULL,'','2026-01-30',NULL,NULL,100.0,NULL,'',0,1);
INSERT INTO "lot" VALUES(8,'light-buckwheat-flour','LI-059','Low Ings Farm',5000.0,2200.0,4.2,'2026-09-20',NULL,'','2026-01-27',NULL,NULL,100.0,NULL,'',0,1);
INSERT INTO "lot" VALUES(9,'oat-flour','SM-2202','Scarth Mill',10000.0,7700.0,3.05,'2026-07-12',10.0,'supplier''s test, at most','2026-01-24',NULL,NULL,100.0,'2026-01-24','',0,1);
INSERT INTO "lot" VALUES(10,'quinoa-flour','CB-0933','Copperbeck Stores',3000.0,1900.0,8.9,'2026-07-02',5.0,'supplier''s test, at most','2026-01-21',NULL,NULL,100.0,'2026-01-21','',0,1);
INSERT INTO "lot" VALUES(11,'corn-starch','CB-0871','Copperbeck Stores',10000.0,6600.0,1.9,'2028-02-12',5.0,'supplier''s test, at most','2026-01-18',NULL,NULL,100.0,'2026-01-18','',0,1);
INSERT INTO "lot" VALUES(12,'potato-starch','CB-0874','Copperbeck Stores',12500.0,8100.0,2.6,'2028-03-03',5.0,'supplier''s test, at most','2026-01-15',NULL,NULL,100.0,'2026-01-15','',0,1);
INSERT INTO "lot" VALUES(13,'tapioca-starch','CB-0880','Copperbeck Stores',10000.0,5200.0,3.2,'2028-02-02',5.0,'supplier''s test, at most','2026-01-12',NULL,NULL,100.0,'2026-01-12','',0,1);
INSERT INTO "lot" VALUES(14,'cassava-flour','CB-0902','Copperbeck Stores',5000.0,2800.0,5.1,'2027-02-07',NULL,'','2026-01-09',NULL,NULL,100.0,NULL,'',0,1);
INSERT INTO "lot" VALUES(15,'almond-flour','CB-0940','Copperbeck Stores',5000.0,2400.0,12.4,'2026-06-22',5.0,'supplier''s test, at most','2026-01-06',NULL,NULL,100.0,'2026-01-06','',0,1);
INSERT INTO "lot" VALUES(16,'chestnut-flour','LI-047','Low Ings Farm',3000.0,1100.0,11.2,'2026-07-22',NULL,'','2026-01-03',NULL,NULL,100.0,NULL,'',0,1);
INSERT INTO "lot" VALUES(17,'sunflower-seed-flour','LI-066','Low Ings Farm',4000.0,2900.0,6.3,'2026-05-13',NULL,'','2025-12-31',NULL,NULL,100.0,NULL,'',0,1);
INSERT INTO "lot" VALUES(18,'chickpea-flour','SM-2219','Scarth Mill',5000.0,3400.0,3.4,'2026-08-31',5.0,'supplier''s test, at most','2025-12-28',NULL,NULL,100.0,'2025-12-28','',0,1);
INSERT INTO "lot" VALUES(19,'ground-flaxseed','LI-068','Low Ings Farm',3000.0,1700.0,4.6,'2026-04-28',NULL,'','2025-12-25',NULL,NULL,100.0,NULL,'',0,1);
INSERT INTO "lot" VALUES(20,'psyllium-husk','CB-0951','Copperbeck Stores',2000.0,1300.0,17.5,'2027-11-04',5.0,'supplier''s test, at most','2025-12-22',NULL,NULL,100.0,'2025-12-22','',0,1);
INSERT INTO "lot" VALUES(21,'xanthan-gum','CB-0955','Copperbeck Stores',1000.0,700.0,21.0,'2028-05-22',5.0,'supplier''s test, at most','2025-12-19',NULL,NULL,100.0,'2025-12-19','',0,1);
INSERT INTO "lot" VALUES(22,'guar-gum','CB-0956','Copperbeck Stores',1000.0,800.0,14.0,'2027-11-24',NULL,'','2025-12-16',NULL,NULL,100.0,NULL,'',0,1);
INSERT INTO "lot" VALUES(23,'sorghum-flour','LI-038','Low Ings Farm',20000.0,0.0,2.7,'2026-02-22',5.0,'supplier''s test, at most','2025-05-08',NULL,NULL,100.0,'2025-05-08','',0,1);
INSERT INTO "lot" VALUES(24,'sorghum-flour','LI-049','Low Ings Farm',20000.0,0.0,2.95,'2026-04-03',5.0,'supplier''s test, at most','2025-09-25',NULL,NULL,100.0,'2025-09-25','',0,1);
INSERT INTO "lot" VALUES(25,'teff-flour','SM-2101','Scarth Mill',5000.0,0.0,4.9,'2025-12-14',5.0,'supplier''s test, at most','2025-02-07',NULL,NULL,100.0,'2025-02-07','',0,1);
INSERT INTO "lot" VALUES(26,'teff-flour','SM-2166','Scarth Mill',5000.0,0.0,5.4,'2026-03-24',5.0,'supplier''s test, at most','2025-07-07',NULL,NULL,100.0,'2025-07-07','',0,1);
INSERT INTO "lot" VALUES(27,'brown-rice-flour','SM-2180','Scarth Mill',25000.0,0.0,2.6,'2026-02-12',5.0,'supplier''s test, at most','2025-08-06',NULL,NULL,100.0,'2025-08-06','',0,1);
INSERT INTO "lot" VALUES(28,'almond-flour','CB-0821','Copperbeck Stores',5000.0,0.0,10.8,'2026-01-13',5.0,'supplier''s test, at most','2025-04-18',NULL,NULL,100.0,'2025-04-18','',0,1);
INSERT INTO "lot" VALUES(29,'almond-flour','CB-0888','Copperbeck Stores',5000.0,0.0,13.1,'2026-03-19',5.0,'supplier''s test, at most','2025-10-05',NULL,NULL,100.0,'2025-10-05','',0,1);
INSERT INTO "lot" VALUES(30,'millet-flour','LI-077','Low Ings Farm',10000.0,10000.0,3.13402061855670099888e+00,'2026-10-10',6.0,'supplier''s test, at most','2026-03-10',5000.0,15.2,97.0,'2026-03-10','',0,1);
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
CREATE TABLE revision (
	id INTEGER NOT NULL, 
	blend_id INTEGER NOT NULL, 
	number INTEGER NOT NULL, 
	parts JSON NOT NULL, 
	why VARCHAR NOT NULL, 
	based_on INTEGER, 
	kept_at VARCHAR NOT NULL, 
	CONSTRAINT pk_revision PRIMARY KEY (id), 
	CONSTRAINT fk_revision_blend_id_blend FOREIGN KEY(blend_id) REFERENCES blend (id), 
	CONSTRAINT uq_revision_blend_id_number UNIQUE (blend_id, number)
);
INSERT INTO "revision" VALUES(1,1,1,'[{"ingredient": "brown-rice-flour", "mass_g": 300.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 300.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 200.0, "locked": false}, {"ingredient": "sorghum-flour", "mass_g": 200.0, "locked": false}, {"ingredient": "psyllium-husk", "mass_g": 30.0, "locked": true}]','First try: half starch, as the old buffet mix was.',NULL,'2026-02-21T12:30:00Z');
INSERT INTO "revision" VALUES(2,1,2,'[{"ingredient": "sorghum-flour", "mass_g": 300.0, "locked": false}, {"ingredient": "brown-rice-flour", "mass_g": 230.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 250.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 170.0, "locked": false}, {"ingredient": "teff-flour", "mass_g": 50.0, "locked": false}, {"ingredient": "psyllium-husk", "mass_g": 40.0, "locked": true}]','Less starch, more sorghum: rev 1 was dry on the second day.',1,'2026-02-23T12:30:00Z');
INSERT INTO "revision" VALUES(3,1,3,'[{"ingredient": "sorghum-flour", "mass_g": 300.0, "locked": false}, {"ingredient": "brown-rice-flour", "mass_g": 180.0, "locked": false}, {"ingredient": "teff-flour", "mass_g": 100.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 250.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 170.0, "locked": false}, {"ingredient": "psyllium-husk", "mass_g": 50.0, "locked": true}]','Teff up for colour and fibre.',2,'2026-02-25T12:30:00Z');
INSERT INTO "revision" VALUES(4,1,4,'[{"ingredient": "sorghum-flour", "mass_g": 300.0, "locked": false}, {"ingredient": "brown-rice-flour", "mass_g": 150.0, "locked": false}, {"ingredient": "teff-flour", "mass_g": 110.0, "locked": false}, {"ingredient": "chickpea-flour", "mass_g": 70.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 220.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 150.0, "locked": false}, {"ingredient": "psyllium-husk", "mass_g": 50.0, "locked": true}]','Chickpea for protein and browning; a pinch less tapioca, rev 3 pulled in the mouth.',3,'2026-02-27T12:30:00Z');
INSERT INTO "revision" VALUES(5,2,1,'[{"ingredient": "white-rice-flour", "mass_g": 480.0, "locked": false}, {"ingredient": "corn-starch", "mass_g": 240.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 280.0, "locked": false}, {"ingredient": "xanthan-gum", "mass_g": 12.0, "locked": false}]','For the visitors who want it white.',NULL,'2026-02-23T12:30:00Z');
INSERT INTO "revision" VALUES(6,3,1,'[{"ingredient": "sorghum-flour", "mass_g": 280.0, "locked": false}, {"ingredient": "brown-rice-flour", "mass_g": 150.0, "locked": false}, {"ingredient": "teff-flour", "mass_g": 100.0, "locked": false}, {"ingredient": "almond-flour", "mass_g": 120.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 200.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 150.0, "locked": false}, {"ingredient": "psyllium-husk", "mass_g": 50.0, "locked": false}]','Almond for softness on day two.',NULL,'2026-02-25T12:30:00Z');
INSERT INTO "revision" VALUES(7,4,1,'[{"ingredient": "buckwheat-flour", "mass_g": 280.0, "locked": false}, {"ingredient": "sorghum-flour", "mass_g": 200.0, "locked": false}, {"ingredient": "sunflower-seed-flour", "mass_g": 150.0, "locked": false}, {"ingredient": "ground-flaxseed", "mass_g": 60.0, "locked": false}, {"ingredient": "millet-flour", "mass_g": 160.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 150.0, "locked": false}]','Sunflower and flax, buckwheat for the bite.',NULL,'2026-02-27T12:30:00Z');
INSERT INTO "revision" VALUES(8,4,2,'[{"ingredient": "buckwheat-flour", "mass_g": 280.0, "locked": false}, {"ingredient": "sorghum-flour", "mass_g": 220.0, "locked": false}, {"ingredient": "sunflower-seed-flour", "mass_g": 150.0, "locked": false}, {"ingredient": "ground-flaxseed", "mass_g": 40.0, "locked": false}, {"ingredient": "millet-flour", "mass_g": 160.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 150.0, "locked": false}]','Less flax: rev 1 bent instead of snapping.',1,'2026-03-01T12:30:00Z');
INSERT INTO "revision" VALUES(9,5,1,'[{"ingredient": "white-rice-flour", "mass_g": 420.0, "locked": false}, {"ingredient": "millet-flour", "mass_g": 250.0, "locked": false}, {"ingredient": "corn-starch", "mass_g": 330.0, "locked": false}]','Cheapest that might do.',NULL,'2026-03-01T12:30:00Z');
INSERT INTO "revision" VALUES(10,6,1,'[{"ingredient": "white-rice-flour", "mass_g": 500.0, "locked": false}, {"ingredient": "corn-starch", "mass_g": 350.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 150.0, "locked": false}, {"ingredient": "xanthan-gum", "mass_g": 6.0, "locked": false}]','White rice and corn starch: rolls well, tastes of nothing.',NULL,'2026-03-03T12:30:00Z');
INSERT INTO "revision" VALUES(11,6,2,'[{"ingredient": "sorghum-flour", "mass_g": 260.0, "locked": false}, {"ingredient": "oat-flour", "mass_g": 160.0, "locked": false}, {"ingredient": "white-rice-flour", "mass_g": 140.0, "locked": false}, {"ingredient": "corn-starch", "mass_g": 280.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 110.0, "locked": false}, {"ingredient": "chickpea-flour", "mass_g": 50.0, "locked": false}, {"ingredient": "xanthan-gum", "mass_g": 6.0, "locked": false}]','Sorghum and oat in for flavour, rice down against the sand.',1,'2026-03-05T12:30:00Z');
INSERT INTO "revision" VALUES(12,7,1,'[{"ingredient": "brown-rice-flour", "mass_g": 220.0, "locked": false}, {"ingredient": "sorghum-flour", "mass_g": 200.0, "locked": false}, {"ingredient": "chickpea-flour", "mass_g": 160.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 220.0, "locked": false}, {"ingredient": "potato-starch", "mass_g": 180.0, "locked": false}, {"ingredient": "xanthan-gum", "mass_g": 15.0, "locked": false}]','Tapioca for stretch, chickpea for bite.',NULL,'2026-03-05T12:30:00Z');
INSERT INTO "revision" VALUES(13,8,1,'[{"ingredient": "sorghum-flour", "mass_g": 250.0, "locked": false, "lot_id": 4}, {"ingredient": "brown-rice-flour", "mass_g": 200.0, "locked": false}, {"ingredient": "oat-flour", "mass_g": 130.0, "locked": false, "lot_id": 9}, {"ingredient": "potato-starch", "mass_g": 200.0, "locked": false}, {"ingredient": "tapioca-starch", "mass_g": 130.0, "locked": false}, {"ingredient": "chickpea-flour", "mass_g": 60.0, "locked": false}, {"ingredient": "xanthan-gum", "mass_g": 5.0, "locked": false}]','One bag for sauces, scones and breading, until each has its own.',NULL,'2026-03-07T12:30:00Z');
CREATE INDEX ix_alias_ingredient ON alias (ingredient);
CREATE INDEX ix_blend_brief_id ON blend (brief_id);
CREATE INDEX ix_lot_ingredient ON lot (ingredient);
CREATE INDEX ix_revision_blend_id ON revision (blend_id);
CREATE UNIQUE INDEX uq_numbers_ingredient ON numbers (ingredient, layer) WHERE lot_id IS NULL;
CREATE UNIQUE INDEX uq_numbers_lot_id ON numbers (lot_id, layer);
CREATE INDEX ix_ingredient_touched ON ingredient (touched);
CREATE INDEX ix_panel_ingredient ON panel (ingredient);
CREATE INDEX ix_bench_test_ingredient ON bench_test (ingredient);
CREATE TRIGGER revision_no_update BEFORE UPDATE ON revision BEGIN SELECT RAISE(ABORT, 'revisions are append-only'); END;
CREATE TRIGGER revision_no_delete BEFORE DELETE ON revision BEGIN SELECT RAISE(ABORT, 'revisions are append-only'); END;
CREATE INDEX ix_formula_brief_id ON formula (brief_id);
CREATE INDEX ix_formula_revision_formula_id ON formula_revision (formula_id);
CREATE TRIGGER formula_revision_no_update BEFORE UPDATE ON formula_revision BEGIN SELECT RAISE(ABORT, 'revisions are append-only'); END;
CREATE TRIGGER formula_revision_no_delete BEFORE DELETE ON formula_revision BEGIN SELECT RAISE(ABORT, 'revisions are append-only'); END;
CREATE INDEX ix_bake_formula_id ON bake (formula_id);
COMMIT;
