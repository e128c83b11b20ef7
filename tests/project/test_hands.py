"""Several processes at one address: one that dies is replaced, none is left behind."""

import os
import signal
import subprocess
import sys
from pathlib import Path
from threading import Timer

from django.test import SimpleTestCase

from dace.project.hands import listening

LATE_S = 30.0
ROOT = Path(__file__).resolve().parents[2]
PROGRAM = """
import os
from dace.project.hands import Hands
def work():
    os.write(1, b"%d\\n" % os.getpid())
    {work}
Hands(2, work).run(lambda: None, 600)
"""


class ManyHands(SimpleTestCase):
    def begun(self, work="os.read(0, 1)"):
        """A first process; each of its own says its number as it begins."""
        program = [sys.executable, "-c", PROGRAM.format(work=work)]
        first = subprocess.Popen(
            program,
            cwd=ROOT,
            stdin=subprocess.PIPE,
            stdout=subprocess.PIPE,
            stderr=subprocess.PIPE,
            text=True,
        )
        late = Timer(LATE_S, first.kill)  # then reading ends, and the test fails
        late.start()
        self.addCleanup(late.cancel)
        self.addCleanup(first.stdin.close)
        self.addCleanup(first.stdout.close)
        self.addCleanup(first.stderr.close)
        self.addCleanup(first.wait)
        self.addCleanup(first.kill)
        return first

    def numbers(self, first, count):
        """The next numbers that are said."""
        found = []
        while len(found) < count:
            line = first.stdout.readline()
            self.assertTrue(line, "it ended")
            if line.strip().isdigit():
                found.append(int(line))
        return found

    def test_one_that_is_killed_is_begun_anew(self):
        first = self.begun()
        one, two = self.numbers(first, 2)
        os.kill(one, signal.SIGKILL)
        (third,) = self.numbers(first, 1)
        self.assertEqual(len({one, two, third, first.pid}), 4)

    def test_where_the_first_is_killed_nobody_is_left(self):
        first = self.begun()
        self.numbers(first, 2)
        first.kill()
        rest = first.stdout.read()  # ends once nobody holds the other end any more
        self.assertNotRegex(rest, r"\d")

    def test_told_to_end_it_ends_its_own_first(self):
        first = self.begun()
        self.numbers(first, 2)
        first.terminate()
        first.stdout.read()
        self.assertEqual(first.wait(), 0)

    def test_what_fails_at_once_is_not_tried_for_ever(self):
        first = self.begun("raise ValueError")
        _, said = first.communicate()
        self.assertIn("NoHandsError", said)

    def test_an_address_that_is_taken_is_said(self):
        with listening("127.0.0.1:0") as one:
            port = one.getsockname()[1]
            self.assertRaises(OSError, listening, f"127.0.0.1:{port}")
        self.assertRaises(ValueError, listening, "nowhere")
