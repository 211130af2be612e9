"""Kept benches help, and never matter: bounded, shared by threads, and the same answers without them."""

import random
from concurrent.futures import ThreadPoolExecutor
from time import monotonic, sleep

from obtegum.api.benches import PATIENCE_S, Benches
from obtegum.core.documents.job import Job
from obtegum.core.face.edit import Edit
from obtegum.core.findings.skeleton.bows import split_of
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.plan import plan_house, plan_work
from obtegum.core.house.remedies import find_remedies, remedies_on
from obtegum.core.house.starters import demo_houses
from obtegum.core.values.catalogue import default_catalogue
from obtegum.store import Store
from tests.api.conftest import page_client


def test_no_more_are_kept_than_is_said_and_one_a_house() -> None:
    benches, (design, record) = Benches(most=3), demo_houses()[0]
    for number in (1, 2, 1, 3, 4, 4, 5):
        named = design.model_copy(update={"name": f"House {number}"})
        benches.keep(named, record, benches.begin(named, record))
    assert len(benches) == 3
    # The bench of a house that is kept is the one that its next plan begins from.
    work = benches.begin(design.model_copy(update={"name": "House 4"}), record)
    plan_work(work)
    benches.keep(design.model_copy(update={"name": "House 4"}), record, work)
    again = benches.begin(design.model_copy(update={"name": "House 4"}), record)
    assert split_of(again) is split_of(work)


def test_threads_that_share_benches_get_what_they_would_get_alone() -> None:
    benches, catalogue = Benches(), default_catalogue()

    def run(seed: int) -> bool:
        chance = random.Random(seed)
        job = Job(*demo_houses()[seed % 3])
        for _ in range(8):
            measure, steps = (
                chance.choice(
                    ("size.shape.leg_m", "inside.crop_m", "bows.max_spacing_m", "inside.bed_m", "posts.reveal_m")
                ),
                chance.choice((-1, 1)),
            )
            job = apply_edits(job, [Edit(measure=measure, steps=steps, stride="small")], catalogue)
            work = benches.begin(*job)
            plan = plan_work(work)
            benches.keep(*job, work)
            if plan.model_dump_json() != plan_house(*job, catalogue).model_dump_json():
                return False
        return True

    with ThreadPoolExecutor(4) as pool:
        assert all(pool.map(run, range(8)))


def test_remedies_on_a_kept_bench_are_those_of_a_new_one() -> None:
    for design, record in demo_houses():
        benches, job = Benches(), Job(design, record)
        work = benches.begin(*job)
        plan_work(work)
        benches.keep(*job, work)
        assert remedies_on(benches.begin(*job), job) == find_remedies(design, record, default_catalogue())


def test_a_restarted_server_answers_the_same(store: Store) -> None:
    first, second = page_client(store), page_client(store)
    house = first.post("/api/houses", json={"units": "metric"}).json()
    body = {
        "design": house["design"],
        "record": house["record"],
        "edits": [{"measure": "size.shape.leg_m", "steps": 3}],
        "step": None,
    }
    for _ in range(2):
        assert first.post("/api/try", json=body).json() == second.post("/api/try", json=body).json()


def test_what_can_wait_gives_way_to_a_hand() -> None:
    benches, order = Benches(), list[str]()

    def wait() -> None:
        benches.give_way()
        order.append("waited")

    with ThreadPoolExecutor(1) as pool:
        with benches.hand():
            waiting = pool.submit(wait)
            sleep(0.1)
            order.append("held")
        waiting.result()
    assert order == ["held", "waited"]
    # Nothing is held: it goes on at once. A hand that holds for ever is not waited for for ever.
    begun = monotonic()
    Benches().give_way()
    assert monotonic() - begun < PATIENCE_S / 2


def test_remedies_ask_before_each_is_judged() -> None:
    asked, job = list[int](), Job(*demo_houses()[1])
    work = Benches().begin(*job)
    found = remedies_on(work, job, lambda: asked.append(1))
    assert found == remedies_on(work, job)
    assert len(asked) > len(found)
