"""Prints the figures of the budget table: `make bench`. Nothing here is asserted; a timed test would fail by the
weather."""

from __future__ import annotations

import gzip
import json
import re
import resource
import socket
import statistics
import subprocess
import sys
import tempfile
import time
import urllib.request
from collections.abc import Callable
from pathlib import Path
from typing import Any

from benchmarks import work
from benchmarks.edits import IN_VIEW, Edit, typical
from crooked_keel.cli import settle_collector
from crooked_keel.core.asked.comparison import compare
from crooked_keel.core.asked.placement import Wish, place_together
from crooked_keel.core.asked.studies import answer
from crooked_keel.core.asked.suggest import suggest
from crooked_keel.core.assess import assess, judge
from crooked_keel.core.balance import measure_next
from crooked_keel.core.balance.loadings import monte_carlo
from crooked_keel.core.document import Project, apply_operations, dump, dump_library, load
from crooked_keel.core.figure.trace import Origin
from crooked_keel.core.judging.certainty import Reading, ToMeasure, rank
from crooked_keel.core.judging.finding import Bench
from crooked_keel.core.physics.hull import Hull, Section, both_sides, float_equilibrium
from crooked_keel.core.setup import set_up
from crooked_keel.core.topic.reading import Topic
from crooked_keel.core.topic.workspace import Workspace
from crooked_keel.core.wanted import Wanted
from crooked_keel.demo.seed import DEMOS, SECOND, library, made
from crooked_keel.exchange.library_table import library_from_csv, library_to_csv
from crooked_keel.store.store import Store

ROWS = 1000


def line(what: str, budget: str, value: str) -> None:
    print(f"{what:<66}{budget:>14}   {value}")


def loop_ms() -> float:
    """A loop of a million additions now: the yardstick, since machines and their neighbours differ."""
    taken = []
    for _ in range(5):
        start = time.perf_counter()
        sum(i for i in range(1_000_000))
        taken.append((time.perf_counter() - start) * 1000)
    return statistics.median(taken)


def said(taken: tuple[float, float]) -> str:
    """Median and 95th percentile as ratios to the loop, and in milliseconds."""
    loop = loop_ms()
    return f"{taken[0] / loop:.2f}, p95 {taken[1] / loop:.2f}  ({taken[0]:.1f} ms, loop {loop:.0f} ms)"


def clock(work: Callable[[int], Any], times: int = 60) -> tuple[float, float]:
    """Median and 95th percentile of a call, ms, after five to warm up."""
    taken = []
    for i in range(times + 5):
        start = time.perf_counter()
        work(i)
        if i >= 5:
            taken.append((time.perf_counter() - start) * 1000)
    taken.sort()
    return statistics.median(taken), taken[int(0.95 * len(taken)) - 1]


def with_rows(project: Project) -> Project:
    place = {"station": "100 mm", "butt_line": "0 mm", "water_line": "0 mm"}
    return apply_operations(
        project,
        [
            {
                "op": "add",
                "path": f"/fits/a/ledger/row-{i}",
                "value": {
                    "name": f"Part {i}",
                    "kind": "installed",
                    "rank": float(i),
                    "mass": f"{1 + i % 40} g",
                    **place,
                },
            }
            for i in range(ROWS)
        ],
    )


def edit_of(project: Project) -> Edit:
    """The edit that touches most: the unit moves, another millimetre each time."""
    return typical(project)["the flange's station"]


def _floating() -> Callable[[int], Any]:
    """A launch by 121 sections, off level both ways."""
    half = ((0.0, 0.0), (0.95, 0.35), (1.05, 0.95))
    taper = [min(1.0, 0.15 + 0.34 * x / 20) for x in range(121)]
    hull = Hull.of([Section(x / 20, both_sides(tuple((y * taper[x], z) for y, z in half))) for x in range(121)])
    return lambda _: float_equilibrium(hull, 1800, (3.6, 0.01, 0.5), 1025, 3.0)


def _ranking() -> Callable[[int], Any]:
    """A hundred uncertain figures, each of which may be measured."""
    figures = [Origin.of(f"/f/{i}", 1.0 + i % 7, f"figure {i}", "estimated") for i in range(100)]
    gradient = {o: 0.5 + (i % 5) for i, o in enumerate(figures)}
    candidates = [ToMeasure(o, o.what, (Reading({o: 1.0}, 0.1),), 10.0, str(o)) for o in figures]
    return lambda _: rank(gradient, 5.0, candidates)


def in_process(name: str, project: Project, budgets: tuple[str, str], edits: dict[str, Edit]) -> None:
    """Edits assessed and saved, and the same looked ahead at; and how much of the assessment they made anew."""
    for what, edit in edits.items():
        with tempfile.TemporaryDirectory() as folder:
            store, workspace, ahead = Store(Path(folder)), Workspace(), Workspace()
            id = store.create(project, "Started").project_id
            base = [1]

            def save(i: int, edit: Edit = edit, store: Store = store, id: str = id, base: list[int] = base) -> None:
                edited = store.edit(id, base[0], edit(i), "bench")
                base[0] = edited.head.revision
                assess(edited.head.document, "a", workspace)  # noqa: B023

            taken = clock(save)
            made = workspace.counts
            line(f"{name}: {what}, assessed and saved", budgets[0], said(taken))
            line(
                "",
                "",
                f"topics anew {made.topics_anew} of {made.topics}, answers {made.answers_anew} of {made.answers}",
            )
            view = [IN_VIEW[what]]

            def look(i: int, edit: Edit = edit, ahead: Workspace = ahead, view: list[Bench] = view) -> None:
                assess(apply_operations(project, edit(i)), "a", ahead, sections=view)

            line(f"{name}: {what}, looked ahead at on {view[0]}", budgets[1], said(clock(look)))
            store.close()


class Bystander(Topic):
    """A topic of a bench to come, which none of these edits touches."""

    def __init__(self, project: Project) -> None:
        self.need = project.need
        self.answer = sum(i for i in range(20_000))


def with_more_benches(project: Project) -> tuple[float, float]:
    """An edit beside three more benches of ten topics each: ms without, ms with."""
    edit, taken = edit_of(project), []
    for more in (0, 30):
        workspace = Workspace()

        def once(i: int, more: int = more, workspace: Workspace = workspace) -> None:
            document = apply_operations(project, edit(i))
            workspace.begin()
            judge(set_up(document, "a", workspace), "a", Wanted.of(True, None))
            for k in range(more):
                workspace.topic(f"bystander {k}", Bystander, document)
            workspace.settle()

        taken.append(clock(once)[0])
    return taken[0], taken[1]


def _seven(project: Project) -> Project:
    """The fits of a project and copies of them, seven in all."""
    fits = list(project.fits.values())
    more = {f"copy-{i}": fits[i % len(fits)].model_copy(update={"name": f"copy {i}"}) for i in range(7 - len(fits))}
    return project.model_copy(update={"fits": {**project.fits, **more}})


class Server:
    """The real server on a free port."""

    def __init__(self, folder: Path) -> None:
        with socket.socket() as free:
            free.bind(("127.0.0.1", 0))
            self.port = free.getsockname()[1]
        self.started = time.perf_counter()
        self.process = subprocess.Popen(
            [sys.executable, "-m", "crooked_keel", "serve", "--port", str(self.port), "--data", str(folder)],
            stdout=subprocess.DEVNULL,
        )
        while True:
            try:
                self.call("GET", "/")
                break
            except OSError:
                time.sleep(0.02)
        self.seconds_to_first_page = time.perf_counter() - self.started

    def call(self, method: str, path: str, body: Any = None) -> bytes:
        request = urllib.request.Request(
            f"http://127.0.0.1:{self.port}{path}",
            method=method,
            data=json.dumps(body).encode() if body is not None else None,
            headers={"content-type": "application/json"},
        )
        with urllib.request.urlopen(request, timeout=30) as reply:
            return bytes(reply.read())

    def memory_mb(self, kind: str = "RssAnon") -> float:
        """What the process holds of its own; or VmRSS, with the program code that is mapped from the disk."""
        status = Path(f"/proc/{self.process.pid}/status").read_text()
        return int(next(x for x in status.splitlines() if x.startswith(kind)).split()[1]) / 1024


def over_http(name: str, server: Server, project: Project, budgets: tuple[str, str]) -> None:
    state = json.loads(server.call("POST", "/api/projects/import", {"text": dump(project)}))
    id, base = state["id"], [state["revision"]]
    edit = edit_of(project)

    def save(i: int) -> None:
        reply = server.call("PATCH", f"/api/projects/{id}?fit=a", {"base": base[0], "operations": edit(i)})
        # What it takes to read the rest of the reply is not the server's.
        base[0] = int(re.search(rb'"revision":(\d+)', reply)[1])  # type: ignore[index]

    line(f"{name}: edit over HTTP, p50 / p95", budgets[0], said(clock(save)))
    path, view = f"/api/projects/{id}/preview?fit=a", ["balance"]
    ahead = lambda i: server.call("POST", path, {"operations": edit(i), "sections": view})
    line(f"{name}: preview over HTTP, p50 / p95", budgets[1], said(clock(ahead)))


def ways_out() -> None:
    """How many stops and watches of all demonstration fits have a way out that is an edit; the others say what settles
    them."""
    count = {level: [0, 0] for level in ("stop", "watch")}
    for kind, module in (*SECOND, *DEMOS):
        project = made(kind, module)
        for fit in project.fits:
            for trouble in (f for f in assess(project, fit).findings if f.level in count):
                count[trouble.level][1] += 1
                count[trouble.level][0] += bool(suggest(project, fit, trouble.key).suggestions)
    for level, (have, of) in count.items():
        line(f"{level} with a proved edit as a way out; the rest with a sentence", "", f"{have} of {of}")


def with_work(demos: dict[str, Project]) -> None:
    """What the work costs on top."""
    plain = next(p for name, p in demos.items() if name.startswith("aeroplane"))
    edit, record = work.edit_ms(plain, "a", "/loadings/solo/loads/front")
    loop = loop_ms()
    words = f"{work.TASKS} tasks, {work.RECORDS} records: "
    line(f"{words}a load", "0.7", f"{edit / loop:.2f}  ({edit:.1f} ms, loop {loop:.0f} ms)")
    line(f"{words}another record", "0.2 s", f"{record / loop:.2f}  ({record:.1f} ms)")
    line(f"a log of {work.ROWS} rows read", "2 s", f"{work.log_s():.2f} s")


def main() -> None:
    demos = {f"{kind}, {demo.NAME}": made(kind, demo) for kind, demo in DEMOS}
    demo = made(*DEMOS[-1])
    large = with_rows(demo)
    settle_collector()
    line("what", "budget", "measured")
    line(
        "this machine now: a loop of a million additions",
        "",
        f"{loop_ms():.1f} ms",
    )
    for name, project in demos.items():
        in_process(name, project, ("0.7", "0.35"), typical(project))
    in_process("1000 rows", large, ("0.8", "0.35"), {"the flange's station": edit_of(large)})
    without, beside = with_more_benches(demo)
    line("an edit beside three more benches that it does not touch", "+10 %", f"{beside / without - 1:+.0%}")
    with_work(demos)
    line(
        "suggestions for a stop, proved, all of them",
        "",
        said(clock(lambda _: suggest(demo, "a", "balance.cg-forward").suggestions, 15)),
    )
    ways_out()
    line("everything placed at once", "0.2 s", said(clock(lambda _: place_together(demo, "a", Wish()), 15)))
    line("seven candidates side by side", "0.5 s", said(clock(lambda _: compare(_seven(demo)), 10)))
    units = library()
    line("the library as CSV, out and in", "", said(clock(lambda _: library_from_csv(library_to_csv(units), {}), 10)))
    line("what to measure next, 1000 rows", "", said(clock(lambda _: answer(measure_next.STUDY, large, "a"), 10)))
    line("121 sections brought to rest", "", said(clock(_floating(), 20)))
    line("100 figures ranked", "", said(clock(_ranking(), 20)))
    line("20 000 crafts drawn", "", said(clock(lambda _: answer(monte_carlo.STUDY, demo, "a"), 10)))
    line(
        "opening a file of 1000 rows, everything checked",
        "4.0",
        said(clock(lambda _: load(dump(large)), 10)),
    )
    with tempfile.TemporaryDirectory() as folder:
        server = Server(Path(folder))
        line("start to first page", "2 s", f"{server.seconds_to_first_page:.2f} s")
        for name, project in demos.items():
            over_http(name, server, project, ("0.9 / 1.2", "0.6 / 0.9"))
        server.call("POST", "/api/library/imports", {"format": "json", "text": dump_library(units)})
        line(f"{len(units)} units listed over HTTP", "", said(clock(lambda _: server.call("GET", "/api/library"), 20)))
        over_http("1000 rows", server, large, ("1.2 / 1.6", "0.6 / 0.9"))
        own, mapped = server.memory_mb(), server.memory_mb("VmRSS")
        line("memory of the server after that", "200 MB", f"{own:.0f} MB ({mapped:.0f} MB with code mapped from disk)")
        server.process.terminate()
    assets = Path("src/crooked_keel/static/assets")
    size = sum(len(gzip.compress(f.read_bytes())) for f in assets.glob("*.js"))
    line("front end, JavaScript, gzip", "", f"{size / 1000:.0f} kB")
    line("memory of this process, most", "", f"{resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024:.0f} MB")


if __name__ == "__main__":
    main()
