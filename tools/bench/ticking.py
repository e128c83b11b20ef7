"""A tick of the round, beside a bare insert of one row in a transaction of its own."""

from __future__ import annotations

import statistics
import time
import uuid
from collections.abc import Callable
from datetime import UTC, datetime
from typing import Any

from tools.bench.reads import demo, served
from tools.bench.table import Row

_NOW = datetime(2026, 7, 14, 16, 40, tzinfo=UTC)


def rows() -> list[Row]:
    """Every stop of the demo's cans but the first of each, which is what mixes the can."""
    with served(demo) as client:
        from dace.feeding.rounds import NewTick, mix_for_round, tick
        from dace.households.models import Membership
        from dace.households.scope import Scope

        member = Membership.objects.first()
        assert member is not None
        scope = Scope(member.household_id, member.user_id, _NOW, demo=True)
        cans = client.get("/api/round").json()["cans"]
        times = []
        for can in cans:
            mix_for_round(scope, uuid.UUID(can["id"]))
            for row in can["rows"]:
                new = NewTick(
                    uuid.uuid4(), uuid.UUID(row["fill_id"]), row["slot"],
                    can_id=uuid.UUID(can["id"]),
                )  # fmt: skip
                times.append(_ms(lambda new=new: tick(scope, new)))
        opened = [_ms(lambda: client.get("/api/round")) for _ in range(5)]
        bare = [_ms(lambda: _insert(scope)) for _ in times]
        return [
            Row("a tick, durable", statistics.median(times), "a bare insert",
                statistics.median(bare)),
            Row("the round opens", statistics.median(opened), "a bare insert",
                statistics.median(bare)),
        ]  # fmt: skip


def _insert(scope: Any) -> None:
    from django.db import transaction

    from dace.feeding.models import Tick
    from dace.garden.models import Fill

    fill = Fill.objects.first()
    assert fill is not None
    with transaction.atomic():
        Tick.objects.create(
            id=uuid.uuid4(), household_id=scope.household_id, created_at=_NOW, fill=fill, slot=0,
            on=_NOW.date(), how="none",
        )  # fmt: skip


def _ms(work: Callable[[], object]) -> float:
    began = time.perf_counter()
    work()
    return 1000 * (time.perf_counter() - began)
