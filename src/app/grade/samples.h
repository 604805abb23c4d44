#pragma once
#include "app/preview_service.h"
#include "app/widgets/picture_view.h"
#include "app/widgets/scope_view.h"
#include "render/plan.h"

#include <QPointF>
#include <map>

namespace baryton {

/// The sample points of each picture and of the reference: up to eight each, in fractions of the picture, so that
/// they lie where they were put whatever is done to it.
class Samples {
public:
    static constexpr int kMost = 8;
    static constexpr int kReference = -1; ///< in place of a picture's index

    const QVector<QPointF>& of(int picture) const;
    /// False when there are eight already.
    bool add(int picture, QPointF at);
    void move(int picture, int sample, QPointF to);
    void remove(int picture, int sample);
    void clear(int picture);

private:
    std::map<int, QVector<QPointF>> points_;
};

/// The small square about a place given in fractions that a sample is the mean of, for one pixel is noise.
PixelRect sampledSquare(const Picture& picture, QPointF at);
/// Mean source colour of that square.
std::array<float, 3> meanColour(const Picture& picture, QPointF at);
/// A sample read: the means of its square before and after.
SampledPoint readSample(const Picture& source, const Plan& plan, QPointF at);
/// "1   87 42 45 → 68 31 69   hue 49°, opposite 229°".
QString sampleText(const QString& label, const SampledPoint& sample);
/// "ΔE 12.4 to 1": CIEDE2000 between two samples as they come out.
QString distanceText(const QString& label, const SampledPoint& one, const SampledPoint& other);

} // namespace baryton
