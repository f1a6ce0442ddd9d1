"""Mutation testing: the code is changed at one place, in a copy, and the tests named must notice."""

from __future__ import annotations

import ast
import os
import random
import shutil
import subprocess
import sys
import tempfile
from collections.abc import Iterator
from pathlib import Path
from typing import NamedTuple

ROOT = Path(__file__).parent.parent
SECONDS = 600  # after which a run counts as noticed: the change made it go on for ever
NEGATED = {
    ast.Eq: ast.NotEq,
    ast.NotEq: ast.Eq,
    ast.Lt: ast.GtE,
    ast.GtE: ast.Lt,
    ast.Gt: ast.LtE,
    ast.LtE: ast.Gt,
    ast.In: ast.NotIn,
    ast.NotIn: ast.In,
    ast.Is: ast.IsNot,
    ast.IsNot: ast.Is,
}
SHARPENED = {ast.Lt: ast.LtE, ast.LtE: ast.Lt, ast.Gt: ast.GtE, ast.GtE: ast.Gt}
SENTENCES = {"Message", "Plural", "labels"}
"""What makes words for people: these are read by people and translated, no test holds their letters."""
OTHER = {ast.Add: ast.Sub, ast.Sub: ast.Add, ast.Mult: ast.Add, ast.Div: ast.Mult, ast.BitOr: ast.BitAnd}


class Mutation(NamedTuple):
    """One place in a file: the text from `first` to `last`, in bytes, gives way to `text`."""

    file: Path
    line: int
    first: int
    last: int
    text: str


def mutations(file: Path) -> list[Mutation]:
    """Every change of one expression that is worth a try."""
    source = file.read_bytes()
    starts = [0]
    for line in source.splitlines(keepends=True):
        starts.append(starts[-1] + len(line))
    found = []
    for node in expressions(ast.parse(source)):
        first = starts[node.lineno - 1] + node.col_offset
        last = starts[node.end_lineno - 1] + node.end_col_offset  # type: ignore[operator]
        found += [Mutation(file, node.lineno, first, last, f"({ast.unparse(other)})") for other in instead(node)]
    return found


def expressions(node: ast.AST) -> Iterator[ast.expr]:
    """Those that run; annotations, docstrings, sentences and the inside of formatted strings do not count."""
    for name, value in ast.iter_fields(node):
        for inner in value if isinstance(value, list) else [value]:
            docstring = isinstance(inner, ast.Expr) and isinstance(inner.value, ast.Constant)
            if (
                not isinstance(inner, ast.AST)
                or isinstance(inner, ast.pattern)
                or name in ("annotation", "returns", "decorator_list")
                or docstring
                or is_sentence(inner)
            ):
                continue
            if isinstance(inner, ast.expr):
                yield inner
            if not isinstance(inner, ast.JoinedStr):
                yield from expressions(inner)


def is_sentence(node: ast.AST) -> bool:
    return isinstance(node, ast.Call) and isinstance(node.func, ast.Name) and node.func.id in SENTENCES


def instead(node: ast.expr) -> Iterator[ast.expr]:
    match node:
        case ast.Compare(left=left, ops=[op], comparators=others):
            for table in (NEGATED, SHARPENED):
                if type(op) in table:
                    yield ast.Compare(left, [table[type(op)]()], others)
        case ast.BoolOp(op=op, values=values):
            yield ast.BoolOp(ast.And() if isinstance(op, ast.Or) else ast.Or(), values)
        case ast.BinOp(left=left, op=op, right=right) if type(op) in OTHER:
            yield ast.BinOp(left, OTHER[type(op)](), right)
        case ast.UnaryOp(op=ast.Not(), operand=operand):
            yield operand
        case ast.IfExp(test=test, body=body, orelse=orelse):
            yield ast.IfExp(test, orelse, body)
        case ast.Constant(value=bool() as value):
            yield ast.Constant(not value)
        case ast.Constant(value=int() | float() as value):
            yield ast.Constant(value + 1)
        case ast.Constant(value=str() as value) if value:
            yield ast.Constant(f"{value}~")


def noticed(mutation: Mutation, copy: Path, tests: list[str]) -> bool:
    target = copy / mutation.file.relative_to(ROOT)
    whole = mutation.file.read_bytes()
    target.write_bytes(whole[: mutation.first] + mutation.text.encode() + whole[mutation.last :])
    try:
        return not passes(copy, tests)
    finally:
        target.write_bytes(whole)


def passes(copy: Path, tests: list[str]) -> bool:
    command = [sys.executable, "-m", "pytest", "-x", "-q", "-p", "no:cacheprovider", *tests]
    environment = {**os.environ, "PYTHONPATH": str(copy / "src"), "PYTHONDONTWRITEBYTECODE": "1"}
    try:
        run = subprocess.run(command, check=False, cwd=copy, env=environment, capture_output=True, timeout=SECONDS)
        return run.returncode == 0
    except subprocess.TimeoutExpired:
        return False


def main(count: int, files: list[Path], tests: list[str]) -> None:
    chosen = random.sample(every := [m for file in files for m in mutations(file)], min(count, len(every)))
    survived = 0
    with tempfile.TemporaryDirectory(prefix="mutate-") as place:
        copy = Path(place)
        os.symlink(ROOT / "assets", copy / "assets")
        for name in ("src", "tests", "docs"):
            shutil.copytree(ROOT / name, copy / name, ignore=shutil.ignore_patterns("__pycache__"), symlinks=True)
        for file in ("pyproject.toml", "manage.py"):
            shutil.copy(ROOT / file, copy / file)
        if not passes(copy, tests):
            sys.exit("these tests fail as the code stands: nothing would be learned from them")
        for mutation in chosen:
            if noticed(mutation, copy, tests):
                continue
            survived += 1
            was = mutation.file.read_bytes()[mutation.first : mutation.last].decode()
            print(f"{mutation.file.relative_to(ROOT)}:{mutation.line}: {was} -> {mutation.text}", flush=True)
    print(f"{survived} of {len(chosen)} survived ({len(every)} possible)")


if __name__ == "__main__":
    end = sys.argv.index("--")
    main(int(sys.argv[1]), [(ROOT / name).resolve() for name in sys.argv[2:end]], sys.argv[end + 1 :])
