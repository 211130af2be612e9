"""A house as a JSON file: written whole, read with every check before anything is believed.

Version 3 holds the design and the site record. Version 2 kept spots as a list, version 1 was a bare
design; both are still read.
"""

import json
from collections.abc import Callable, Mapping
from typing import Any, Literal

from pydantic import ValidationError

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.reading import read_design, record_as_kept_now
from obtegum.core.house.offers import tried
from obtegum.core.values.base import Part
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.trouble import DesignError, Trouble

__all__ = ["FORMAT", "MOST_BYTES", "VERSION", "HouseFile", "as_it_is", "read_house_file", "write_house_file"]

FORMAT = "obtegum house"
VERSION = 3
MOST_BYTES = 16_000_000


class HouseFile(Part):
    """What stands in the file. Lengths are in metres, between tube centres."""

    format: Literal["obtegum house"] = "obtegum house"
    version: Literal[3] = 3
    design: HouseDesign
    record: SiteRecord = SiteRecord()


def write_house_file(design: HouseDesign, record: SiteRecord) -> str:
    """A house as JSON text, without the pictures of the work: those are files of their own."""
    return HouseFile(design=design, record=_bare(record)).model_dump_json(indent=2) + "\n"


def _bare(record: SiteRecord) -> SiteRecord:
    return record.model_copy(update={"photos": {}})


def as_it_is(kept: Mapping[str, Any]) -> str:
    """What is kept of a house that can't be read as one, as it is."""
    return json.dumps({"format": f"{FORMAT}, as kept", **kept}, indent=2, ensure_ascii=False) + "\n"


def _from_bare_design(data: dict[str, Any]) -> dict[str, Any]:
    return {"format": FORMAT, "version": 2, "design": data, "record": {}}


def _from_earlier_parts(data: dict[str, Any]) -> dict[str, Any]:
    return {**data, "version": 3, "record": record_as_kept_now(data.get("record", {}))}


MIGRATIONS: dict[int, Callable[[dict[str, Any]], dict[str, Any]]] = {1: _from_bare_design, 2: _from_earlier_parts}


def _refuse(sentence: str, path: str = "file") -> DesignError:
    return DesignError([Trouble(path=path, sentence=sentence)])


def _not_a_number(name: str) -> Any:
    raise _refuse(f"The file has {name} where a number belongs.")


def _parse(text: str | bytes) -> dict[str, Any]:
    if len(text) > MOST_BYTES:
        raise _refuse(f"The file is larger than {MOST_BYTES // 1_000_000} MB, far more than a house needs.")
    try:
        data = json.loads(text, parse_constant=_not_a_number)
    except DesignError:
        raise
    except RecursionError:
        raise _refuse("The file is nested deeper than any house.") from None
    except (ValueError, UnicodeDecodeError):
        raise _refuse("The file is cut short or is not JSON.") from None
    if not isinstance(data, dict):
        raise _refuse("The file is JSON, but not a house.")
    return data


def _version(data: dict[str, Any]) -> int:
    if data.get("format") == FORMAT:
        version = data.get("version")
        if not isinstance(version, int) or isinstance(version, bool) or version < 2:
            raise _refuse("The file doesn’t say which version of a house it is.")
        return version
    if "format" not in data and "schema_version" in data and "size" in data:
        return 1
    raise _refuse("The file is JSON, but not a house.")


def read_house_file(text: str | bytes) -> tuple[HouseDesign, SiteRecord]:
    """Read and check a house from a file's text.

    Raises: DesignError with a sentence for each fault, in the units of the house.
    """
    data = _parse(text)
    version = _version(data)
    if version > VERSION:
        raise _refuse(f"The file is of version {version}, from a newer Obtegum; this one reads up to {VERSION}.")
    try:
        for step in range(version, VERSION):
            data = MIGRATIONS[step](data)
    except ValidationError:
        raise _refuse("The site record in the file can’t be read.", "record") from None
    unknown = sorted(set(data) - {"format", "version", "design", "record"})
    if unknown:
        raise _refuse(f"The file has a part that is not known here: {unknown[0][:60]}.")
    if not isinstance(data.get("design"), dict):
        raise _refuse("The file has no house in it.")
    try:
        design = read_design(data["design"])
    except DesignError as error:
        raise tried(data["design"], error, default_catalogue()) from None
    try:
        record = SiteRecord.model_validate(data.get("record", {}))
    except ValidationError:
        raise _refuse("The site record in the file can’t be read.", "record") from None
    return design, _bare(record)
