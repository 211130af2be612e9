"""The command line. Slow imports stand inside the commands that need them."""

import argparse
import io
import json
import os
import socket
import sys
import time
from collections.abc import Sequence
from contextlib import suppress
from pathlib import Path
from typing import TYPE_CHECKING, Any, NoReturn

if TYPE_CHECKING:
    import uvicorn
    from fastapi import FastAPI

__all__ = ["listening", "main"]

# How long answers under way may take once the bench is told to stop, s.
GRACE_S = 5
# When what a plan needs is loaded: after the first screen was asked for, before a house is opened, s.
WARM_S = 1.5
# How often it is looked whether the data folder is at rest, s.
REST_S = 1.0


def _arguments() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="obtegum", description="Lay out, bend, build and keep a hoop house.")
    commands = parser.add_subparsers(dest="command", required=True)
    serve = commands.add_parser("serve", help="serve a data folder on this machine")
    serve.add_argument("--data", type=Path, default=Path(".local/data"), help="data folder (%(default)s)")
    serve.add_argument("--port", type=_port, default=8642, help="port on loopback (%(default)s)")
    serve.add_argument("--demo", action="store_true", help="load the demo houses into an empty folder")
    serve.add_argument("--level", type=_address, help="a laser level, HOST:PORT (the demo brings a simulated one)")
    serve.add_argument(
        "--controller", type=_address, help="a controller of roll-up sides, HOST:PORT (the demo: one too)"
    )
    serve.add_argument(
        "--field",
        nargs="?",
        const="",
        metavar="ADDRESS",
        help="let phones on the local network in, by a code; at this machine's address there, or at the one given",
    )
    plan = commands.add_parser("plan", help="plan a house from a JSON file, no server needed")
    plan.add_argument("file", type=Path, help="a house design in JSON, or - for standard input")
    plan.add_argument("--table", action="store_true", help="print text to read instead of JSON")
    backup = commands.add_parser("backup", help="write everything in a data folder to one file")
    restore = commands.add_parser("restore", help="replace everything in a data folder by a backup")
    for each in (backup, restore):
        each.add_argument("file", type=Path, help="the backup, a ZIP file")
        each.add_argument("--data", type=Path, default=Path(".local/data"), help="data folder (%(default)s)")
    commands.add_parser("openapi", help="print the API's description")
    commands.add_parser("schema", help="print the JSON Schema of a house file")
    return parser


def _port(text: str) -> int:
    port = int(text)
    if not 0 <= port <= 65535:
        raise argparse.ArgumentTypeError("a port is a number from 0 to 65535")
    return port


def _address(text: str) -> tuple[str, int]:
    host, _, port = text.rpartition(":")
    if not host or not port.isdigit():
        raise argparse.ArgumentTypeError("write HOST:PORT")
    return host, _port(port)


def main(given: Sequence[str] | None = None) -> int:
    """Run a command; returns the exit code: 0 done, 1 can't be planned or served."""
    # Matrices here are small: one thread each is quicker than two that wait for one another.
    os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")
    # A terminal that has no letter for a figure shows another one in its place.
    for stream in (sys.stdout, sys.stderr):
        if isinstance(stream, io.TextIOWrapper):
            stream.reconfigure(errors="replace")
    arguments = _arguments().parse_args(given)
    if arguments.command == "plan":
        return _plan(arguments.file, arguments.table)
    if arguments.command == "openapi":
        return _openapi()
    if arguments.command == "schema":
        return _schema()
    if arguments.command in ("backup", "restore"):
        return _carry(arguments.command, arguments.file, arguments.data)
    return _serve(arguments)


def _read_json(file: Path) -> Any:
    text = sys.stdin.read() if str(file) == "-" else file.read_text(encoding="utf-8")
    return json.loads(text)


def _plan(file: Path, table: bool) -> int:
    from obtegum.core.documents.house import SiteRecord
    from obtegum.core.documents.reading import read_design
    from obtegum.core.house.offers import tried
    from obtegum.core.house.plan import plan_house
    from obtegum.core.values.catalogue import default_catalogue
    from obtegum.core.values.trouble import DesignError

    try:
        data = _read_json(file)
    except (OSError, UnicodeDecodeError) as error:
        print(f"Can't read {file}: {error}", file=sys.stderr)
        return 1
    except (ValueError, RecursionError) as error:
        where = f": {error}" if isinstance(error, json.JSONDecodeError) else "."
        print(f"{file} is not readable JSON{where}", file=sys.stderr)
        return 1
    try:
        plan = plan_house(read_design(data), SiteRecord(), default_catalogue(), slow=True)
    except DesignError as error:
        for trouble in tried(data, error, default_catalogue()).troubles:
            print(f"{trouble.path or file}: {trouble.sentence}", file=sys.stderr)
        return 1
    if table:
        from obtegum.exchange.text import plan_text

        print(plan_text(plan))
    else:
        print(plan.model_dump_json(indent=2))
    return 0


def _openapi() -> int:
    from obtegum.api.app import make_app

    print(json.dumps(make_app(None).openapi(), indent=1, sort_keys=True))
    return 0


def _schema() -> int:
    from obtegum.exchange.housefile import HouseFile

    print(json.dumps(HouseFile.model_json_schema(), indent=1))
    return 0


def _carry(way: str, file: Path, data: Path) -> int:
    from obtegum.core.house.plan import plan_house
    from obtegum.core.values.catalogue import default_catalogue
    from obtegum.store import StoreTrouble, open_store
    from obtegum.store.backup import BEFORE, BackupError, write_backup
    from obtegum.store.database import FILE
    from obtegum.store.restore import restore
    from obtegum.store.salvage import lacking

    if way == "backup" and not (data / FILE).is_file():
        print(f"There are no houses in {data}: it has no {FILE}. Name the folder with --data.", file=sys.stderr)
        return 1
    try:
        store = open_store(data)
        try:
            if way == "backup":
                count, lacks = write_backup(store, file)
                what = "What is whole" if lacks else "Everything"
                print(f"{what} in {data} is in {file}: {_houses(count)}, read back and whole.")
                if lacks:
                    print(lacking(lacks), file=sys.stderr)
            else:
                found = restore(store, file, lambda design, record: plan_house(design, record, default_catalogue()))
                print(f"{data} holds the backup now: {_houses(found.houses)}.")
                for each in found.left_out:
                    print(f"Left out: {each.name}. {each.why}", file=sys.stderr)
                for each in found.unplanned:
                    print(f"Back, but can't be planned: {each.name}. {each.why}", file=sys.stderr)
                print(f"What was there before is in {data / BEFORE}; restore that to have it back.")
        finally:
            store.close()
    except (OSError, StoreTrouble, BackupError) as error:
        print(f"Can't {way}: {error}", file=sys.stderr)
        return 1
    return 0


def _houses(count: int) -> str:
    return f"{count} {'house' if count == 1 else 'houses'}"


def local_address() -> str:
    """This machine's own address on its local network; its loopback where it has none. Nothing is sent."""
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as probe:
        try:
            probe.connect(("192.0.2.1", 9))
        except OSError:
            return "127.0.0.1"
        return str(probe.getsockname()[0])


def listening(port: int, host: str = "127.0.0.1") -> socket.socket:
    """A socket that listens on this machine alone, or at one of its addresses: whoever reads it can connect at once.

    Raises: OSError.
    """
    # Named as TCP, so that asyncio sends what is small at once; else each answer waits 40 ms for the one before.
    listener = socket.socket(socket.AF_INET, socket.SOCK_STREAM, socket.IPPROTO_TCP)
    listener.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    try:
        listener.bind((host, port))
    except OSError:
        listener.close()
        raise
    listener.listen(128)
    return listener


def _warm() -> None:
    """Load what the first plan needs while nobody waits for it: its libraries take longer than the start itself."""
    from obtegum.core.house.plan import plan_house
    from obtegum.core.house.starters import demo_houses
    from obtegum.core.values.catalogue import default_catalogue

    plan_house(*demo_houses()[0], default_catalogue())


Address = tuple[str, int]


def _listeners(arguments: argparse.Namespace) -> "list[socket.socket]":
    """Where it listens: on this machine, and on the local network if asked; none where it can't, which is said."""
    try:
        listener = listening(arguments.port)
    except OSError as error:
        print(f"Can't listen on port {arguments.port}: {error.strerror}. Choose another with --port.", file=sys.stderr)
        return []
    if arguments.field is None:
        return [listener]
    address = arguments.field or local_address()
    try:
        return [listener, listening(listener.getsockname()[1], address)]
    except OSError as error:
        listener.close()
        print(f"Can't listen at {address}: {error.strerror}. Say which address with --field.", file=sys.stderr)
        return []


def _server(app: "FastAPI") -> "uvicorn.Server":
    """A server of an app that leaves in good order when it is stopped."""
    import signal

    import uvicorn

    from obtegum.api.patience import PatientProtocol

    config = uvicorn.Config(
        app, http=PatientProtocol, log_level="warning", server_header=False, timeout_graceful_shutdown=GRACE_S
    )
    server = uvicorn.Server(config)

    def leave(number: int, frame: object) -> None:
        server.should_exit = True

    # The server sends a signal that it was stopped by on to whoever had it before: that must not end the
    # process before the store is closed. A closed terminal stops it the same way.
    for name in (signal.SIGTERM, signal.SIGINT, signal.SIGHUP):
        signal.signal(name, leave)
    return server


def _say_where(listener: socket.socket, phones: str) -> None:
    """The address, and that of the door for phones if there is one. Raises: OSError where the terminal was closed."""
    print(f"Obtegum is at http://127.0.0.1:{listener.getsockname()[1]}/ (Ctrl-C stops it)", flush=True)
    if phones:
        said = f"Phones come in at {phones}/ by a code. It isn't encrypted: only on a network that you trust."
        print(said, flush=True)


def _serve(arguments: argparse.Namespace) -> int:
    import gc
    import os
    import threading

    # Thousands of classes are made while it starts, and none of them goes again: nothing is looked for among them.
    gc.disable()
    from obtegum.api.app import make_app
    from obtegum.api.door import Door
    from obtegum.devices.controller import ControllerLink
    from obtegum.devices.level import LevelLink
    from obtegum.store import StoreTrouble, open_store

    # What is kept is for its owner's eyes.
    os.umask(0o077)
    data: Path = arguments.data
    level: Address | None = arguments.level
    sides: Address | None = arguments.controller
    try:
        store = open_store(data)
        if arguments.demo:
            _load_demo(store)
        if store.found:
            print(store.found, file=sys.stderr)
    except (OSError, StoreTrouble) as error:
        print(f"Can't open the data folder {data}: {error}", file=sys.stderr)
        return 1
    if arguments.demo:
        level = level or _simulated_level()
        sides = sides or _simulated_controller()
    listeners = _listeners(arguments)
    if not listeners:
        store.close()
        return 1
    listener = listeners[0]
    door = None
    if arguments.field is not None:
        door = Door(data, (arguments.field or local_address(), listener.getsockname()[1]))
    # What was loaded stays; a plan makes tens of thousands of small values that die at once.
    gc.freeze()
    gc.set_threshold(100_000, 20, 20)
    gc.enable()
    links = LevelLink(*level) if level else None, ControllerLink(*sides) if sides else None
    server = _server(make_app(store, level=links[0], sides=links[1], door=door))
    warm = threading.Timer(WARM_S, _warm)
    warm.daemon = True
    warm.start()
    threading.Thread(target=_resting, args=(store,), daemon=True).start()
    try:
        _say_where(listener, "" if door is None else door.url)
    except OSError:
        # The terminal was closed while it was being told.
        server.should_exit = True
    try:
        server.run(sockets=listeners)
    finally:
        store.close()
    return _leave()


def _leave() -> NoReturn:
    """End the process, once all that is kept is on the disk.

    What still runs beside it would else be ended in the midst of others' compiled code, which aborts the process
    (Python 3.11: "exception not rethrown").
    """
    with suppress(OSError):
        # The terminal may be closed.
        sys.stdout.flush()
        sys.stderr.flush()
    os._exit(0)


def _resting(store: Any) -> None:
    """Look the data folder over once the bench answers, and bring it to rest whenever it is quiet."""
    from obtegum.store import StoreTrouble

    time.sleep(WARM_S)
    while True:
        try:
            if not store.looked_over:
                store.look_over()
            store.rest()
        except (OSError, StoreTrouble):
            # Whoever asks for something is told.
            pass
        time.sleep(REST_S)


def _simulated_level() -> tuple[str, int]:
    from obtegum.standins.laser import SimulatedLaser

    laser = SimulatedLaser()
    laser.start()
    return "127.0.0.1", laser.port


def _simulated_controller() -> tuple[str, int]:
    from obtegum.standins.controller import SimulatedController

    controller = SimulatedController()
    controller.start()
    return "127.0.0.1", controller.port


def _load_demo(store: Any) -> None:
    from obtegum.core.house.starters import demo_houses
    from obtegum.store import houses

    if houses.count(store) == 0:
        houses.add_if_empty(store, reversed(demo_houses()), "Started from the demo")
