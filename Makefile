# Fallow Sieve. `make demo` serves the demo kitchen; `make test` runs everything that must hold.
PYTHON ?= python3
BIN := .venv/bin
STAMPS := .stamps
WEB := src/fallow_sieve/web_dist/index.html
TYPES := web/src/lib/api/schema.d.ts
WEB_SOURCES := $(shell find web/src web/public docs/method.md -type f ! -path '$(TYPES)' 2>/dev/null) web/index.html web/vite.config.ts web/package.json

.PHONY: demo setup dev test check fuzz soak lint lint-python lint-web-types lint-web-style lint-web-tests pytest bands released bench clean lock schemas screenshots

demo: $(STAMPS)/python $(WEB)
	@$(BIN)/fallow-sieve serve --demo --db demo.db

setup: $(STAMPS)/python-dev $(WEB) $(TYPES)
	@echo "Ready. Next: make demo"

# Flask and Vite side by side, both reloading; open the address that Vite prints.
dev: $(STAMPS)/python-dev $(TYPES)
	@$(BIN)/fallow-sieve demo --db demo.db
	@trap 'kill 0' EXIT; \
	$(BIN)/flask --app 'fallow_sieve.api.app:create_app("demo.db")' run --debug --port 8765 & \
	npm --prefix web run dev

# Two things at a time where they wait for one another no more than that; then the tests, which take both cores.
test:
	$(MAKE) -j2 --output-sync=target --no-print-directory lint $(WEB)
	$(MAKE) --no-print-directory pytest

# While working: the files that changed, all types and arrows, and the core and the store on few generated inputs.
check: $(STAMPS)/python-dev
	$(BIN)/ruff check -q $$(git diff --name-only --diff-filter=d HEAD -- '*.py') tests/conftest.py
	$(BIN)/mypy
	$(BIN)/lint-imports --no-logo
	EFFORT=check $(BIN)/pytest -n 2 --dist worksteal -q tests/core tests/store

# Ten times the generated inputs of `make test`.
fuzz: $(STAMPS)/python-dev
	EFFORT=fuzz $(BIN)/pytest -n 2 --dist worksteal -q tests/core tests/formats tests/api/test_any_input.py

# Kitchens killed and put back a hundred times over, and eight people saving for minutes.
soak: $(STAMPS)/python-dev
	EFFORT=soak $(BIN)/pytest -n 2 --dist worksteal -q tests/safekeeping tests/store

lint: lint-python lint-web-types lint-web-style lint-web-tests

lint-python: $(STAMPS)/python-dev
	$(BIN)/ruff check .
	$(BIN)/ruff format --check .
	$(BIN)/mypy
	$(BIN)/mypy bench scripts
	$(BIN)/lint-imports --no-logo

lint-web-types: $(TYPES)
	npm --prefix web run check

lint-web-style: $(TYPES)
	npm --prefix web run lint

lint-web-tests: $(STAMPS)/npm
	npm --prefix web run test

pytest: $(STAMPS)/python-dev $(WEB)
	@scripts/need-chromium.sh
	@# The program is started many times over: what it is compiled to is kept between.
	PYTHONDONTWRITEBYTECODE= $(BIN)/pytest -n 2 --dist worksteal -q --durations=10

bench: export BENCH_ROWS := $(shell mktemp -u)
bench: $(STAMPS)/python-dev $(WEB)
	$(BIN)/python bench/startup_bench.py
	$(BIN)/python bench/analyse_bench.py
	$(BIN)/python bench/http_bench.py
	$(BIN)/python bench/formula_bench.py
	$(BIN)/python bench/propose_bench.py
	$(BIN)/python bench/schedule_bench.py
	$(BIN)/python bench/trials_bench.py
	$(BIN)/python bench/tastings_bench.py
	$(BIN)/python bench/experiments_bench.py
	$(BIN)/python bench/batches_bench.py
	$(BIN)/python bench/writers_bench.py
	$(BIN)/python bench/growth_bench.py
	@scripts/need-chromium.sh
	$(BIN)/python bench/drag_bench.py
	$(BIN)/python bench/shelf_bench.py
	@$(BIN)/python bench/table.py

# The bands of every use, from the record of practice; commit the table with the mixes.
bands: $(STAMPS)/python-dev
	$(BIN)/python scripts/bands.py src/fallow_sieve/reference/tables

# After a migration: the newest released database brought forward, to be filled with what is new.
released: $(STAMPS)/python-dev
	$(BIN)/python scripts/released.py

# What is generated and committed: JSON Schemas and the OpenAPI document; its TypeScript types follow from it.
schemas: $(STAMPS)/python-dev $(STAMPS)/npm
	$(BIN)/python -m fallow_sieve.formats.schemas
	$(BIN)/python -m fallow_sieve.api.openapi
	$(MAKE) --no-print-directory $(TYPES)

screenshots: $(STAMPS)/python-dev $(WEB)
	@scripts/need-chromium.sh
	$(BIN)/python scripts/screenshots.py docs/screenshots

lock: $(STAMPS)/python-dev
	$(BIN)/pip install -q uv
	$(BIN)/uv pip compile -q --universal --no-emit-index-url --no-emit-find-links --custom-compile-command "make lock" \
		pyproject.toml -o requirements.lock
	$(BIN)/uv pip compile -q --universal --no-emit-index-url --no-emit-find-links --custom-compile-command "make lock" \
		pyproject.toml --group dev -c requirements.lock -o requirements-dev.lock

clean:
	rm -rf .venv $(STAMPS) web/node_modules src/fallow_sieve/web_dist .pytest_cache .mypy_cache .ruff_cache \
		.hypothesis .import_linter_cache test-results demo.db demo.db-wal demo.db-shm

$(STAMPS)/venv:
	@$(PYTHON) -c 'import sys; sys.exit(sys.version_info < (3, 11) and "Fallow Sieve needs Python 3.11 or newer")'
	$(PYTHON) -m venv .venv
	@mkdir -p $(STAMPS) && touch $@

$(STAMPS)/python: requirements.lock pyproject.toml | $(STAMPS)/venv
	$(BIN)/pip install -q --disable-pip-version-check -r requirements.lock
	$(BIN)/pip install -q --disable-pip-version-check --no-deps -e .
	@touch $@

$(STAMPS)/python-dev: requirements-dev.lock $(STAMPS)/python
	$(BIN)/pip install -q --disable-pip-version-check -r requirements-dev.lock
	@touch $@

$(STAMPS)/npm: web/package-lock.json web/.npmrc
	npm --prefix web ci --silent
	@mkdir -p $(STAMPS) && touch $@

$(TYPES): src/fallow_sieve/api/openapi.json $(STAMPS)/npm
	npm --prefix web run --silent api-types
	@touch $@

$(WEB): $(STAMPS)/npm $(WEB_SOURCES)
	npm --prefix web run build
	@touch $@
