"""Finds blends for a brief: state the problem, solve it, translate the answer, and re-evaluate what is shown.

`solver` alone knows the solver. `wishes` is what is asked, `forms` the metrics as linear forms, `problem` the limits
with their names, `stating` the program, `fitting` its best fit, `proposals`, `conflicts`, `mending`, `explaining`,
`tradeoffs` and `bags` what is made of it. See docs/method.md, "Proposals".
"""
