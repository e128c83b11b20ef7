"""The practice can: sums that old hands get wrong."""
