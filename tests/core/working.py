"""Works out a Working's expression from its text alone, without the core."""

import ast
import operator
import re

OPERATORS = {
    ast.Add: operator.add,
    ast.Sub: operator.sub,
    ast.Mult: operator.mul,
    ast.Div: operator.truediv,
}
UNIT = re.compile(r"(?<![\d.])[A-Za-zµ°]+[0-9]*(?:/[A-Za-z0-9]+)*")


def worked_out(expression: str) -> float:
    """The number that an expression such as ``9000 mL ÷ (1 + 200)`` comes to."""
    text = re.sub(r"(\d)\s*%", r"\1*0.01", expression)
    text = UNIT.sub("", text).replace("×", "*").replace("÷", "/").replace("−", "-")
    return _value(ast.parse(text.strip(), mode="eval").body)


def _value(node: ast.expr) -> float:
    if isinstance(node, ast.BinOp):
        return OPERATORS[type(node.op)](_value(node.left), _value(node.right))
    if isinstance(node, ast.Constant) and isinstance(node.value, int | float):
        return float(node.value)
    raise AssertionError(f"not arithmetic: {ast.dump(node)}")
