"""Reading a recipe that was typed or pasted: amounts, names, lines, the whole, and checks on it. No guess is silent."""
