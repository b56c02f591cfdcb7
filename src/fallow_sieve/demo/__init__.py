"""The made-up demo kitchen: Tarn Line Provisions, the test kitchen of a mountain railway."""
