"""Runs the command line: python -m obtegum."""

import sys

from obtegum.cli import main

sys.exit(main())
