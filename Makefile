# SPDX-License-Identifier: GPL-3.0-or-later
# Every command does its own set-up: `make demo` and `make test` work on a fresh clone.

PYTHON ?= python3
VENV := .venv
BIN := $(VENV)/bin
READY := $(VENV)/ready

.PHONY: demo test lint bench prove screenshots setup clean

setup: $(READY)

$(READY): requirements.lock pyproject.toml tools/system.sh
	@sh tools/system.sh
	@$(PYTHON) -c 'import sys; sys.exit(sys.version_info < (3, 11))' || { echo "Able Box needs Python 3.11 or newer; set PYTHON=... to one."; exit 1; }
	$(PYTHON) -m venv $(VENV)
	$(BIN)/python -m pip install --quiet --disable-pip-version-check --require-hashes -r requirements.lock
	$(BIN)/python -m pip install --quiet --disable-pip-version-check --no-deps --no-build-isolation -e .
	@$(BIN)/python -c 'from ablebox.core.cuts.search.compiled import COMPILED; COMPILED.wait()'
	@touch $(READY)

demo: $(READY)
	$(BIN)/ablebox demo --without-display out/demo

test: $(READY)
	$(BIN)/python -X dev tests/run.py

lint: $(READY)
	$(BIN)/ruff check src tests benchmarks tools
	$(BIN)/ruff format --check src tests benchmarks tools
	$(BIN)/mypy

bench: $(READY)
	$(BIN)/python benchmarks/bench.py

COUNT ?= 20000
#: Tests that try at random, and try more where there is time to prove.
RANDOM := $(addprefix tests.core.test_,case one_pass room snags edits saw search paper) tests.window.test_fuzz

prove: $(READY)
	$(BIN)/python tools/prove.py $(COUNT)
	ABLEBOX_TIMES=10 $(BIN)/python tests/run.py $(RANDOM)

screenshots: $(READY)
	QT_QPA_PLATFORM=offscreen $(BIN)/python tools/screenshots.py docs/screenshots

clean:
	rm -rf $(VENV) out dist build
