#pragma once
#include <QString>

namespace baryton::bench {

/// Measures what one more stage costs (1 to 40 stages on 4 megapixels) and what more pixels cost (1 to 100 megapixels
/// through four stages), two threads, medians of three; writes both as one PNG and prints the figures.
void plotCosts(const QString& file);

} // namespace baryton::bench
