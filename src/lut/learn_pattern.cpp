#include "lut/learn_pattern.h"
#include "base/error.h"
#include "base/parallel.h"
#include "base/words.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "lut/pattern_found.h"

#include <opencv2/core.hpp>

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <fstream>

namespace baryton {

namespace {

constexpr int kCopies = 2;

/// What was read of one cell.
struct Reading {
    Vec3 rgb{};
    double x = 0, y = 0; ///< its middle from the picture's, in half diagonals
    double deviation = 0;
    bool isThere = false;
};

double lumaOf(const Vec3& rgb) {
    return luma(rgb[0], rgb[1], rgb[2]);
}

double medianOf(std::vector<double> values) {
    if (values.empty()) return 0;
    const auto middle = values.begin() + static_cast<std::ptrdiff_t>(values.size() / 2);
    std::nth_element(values.begin(), middle, values.end());
    return *middle;
}

Vec3 at(const Picture& picture, int x, int y) {
    return {picture.row(0, y)[x], picture.row(1, y)[x], picture.row(2, y)[x]};
}

/// The mean of the pixels whose middles lie in the inner half of a cell, or of the four around its middle.
Reading readCell(const Picture& picture, const FoundPattern& found, const PatternLayout::Cell& cell, double side) {
    const auto [x, y] = found.at(cell.x + side / 2, cell.y + side / 2);
    const double halfX = side / 4 * found.scaleX(), halfY = side / 4 * found.scaleY();
    Reading reading;
    if (x - halfX < 0 || y - halfY < 0 || x + halfX > picture.width() || y + halfY > picture.height()) return reading;
    reading.isThere = true;
    const double diagonal = std::hypot(picture.width(), picture.height()) / 2;
    reading.x = (x - picture.width() / 2.0) / diagonal, reading.y = (y - picture.height() / 2.0) / diagonal;
    const int left = static_cast<int>(std::ceil(x - halfX - 0.5)),
              right = static_cast<int>(std::floor(x + halfX - 0.5));
    const int top = static_cast<int>(std::ceil(y - halfY - 0.5)),
              bottom = static_cast<int>(std::floor(y + halfY - 0.5));
    if (left > right || top > bottom) {
        const double u = std::clamp(x - 0.5, 0.0, picture.width() - 1.0),
                     v = std::clamp(y - 0.5, 0.0, picture.height() - 1.0);
        const int column = std::min(static_cast<int>(u), picture.width() - 2),
                  row = std::min(static_cast<int>(v), picture.height() - 2);
        const double fx = u - column, fy = v - row;
        const Vec3 a = at(picture, column, row), b = at(picture, column + 1, row), c = at(picture, column, row + 1),
                   d = at(picture, column + 1, row + 1);
        for (std::size_t k = 0; k < 3; ++k)
            reading.rgb[k] = (a[k] * (1 - fx) + b[k] * fx) * (1 - fy) + (c[k] * (1 - fx) + d[k] * fx) * fy;
        return reading;
    }
    double squares = 0;
    int count = 0;
    for (int row = top; row <= bottom; ++row)
        for (int column = left; column <= right; ++column, ++count) {
            const Vec3 rgb = at(picture, column, row);
            for (std::size_t k = 0; k < 3; ++k) reading.rgb[k] += rgb[k];
            squares += lumaOf(rgb) * lumaOf(rgb);
        }
    for (double& v : reading.rgb) v /= count;
    reading.deviation = std::sqrt(std::max(squares / count - lumaOf(reading.rgb) * lumaOf(reading.rgb), 0.0));
    return reading;
}

/// Light that falls off from place to place: log gain = a x + b y + c r² + d r⁴ + e r⁶, nothing in the middle.
class Falloff {
    static constexpr int kFactors = 5;
    using Factors = cv::Vec<double, kFactors>;
    using Square = cv::Matx<double, kFactors, kFactors>;

public:
    double at(double x, double y) const {
        const auto basis = basisAt(x, y);
        double sum = 0;
        for (int i = 0; i < kFactors; ++i) sum += factors_[i] * basis[i];
        return sum;
    }
    bool isNone() const { return factors_ == Factors::all(0); }
    void clear() { factors_ = Factors::all(0); }

    /// Fits it to pairs of cells by least squares, reweighted so that those which differ for other reasons count
    /// less; what explains too little is none.
    void fit(const std::vector<std::array<Reading, kCopies>>& cells) {
        std::vector<std::pair<Factors, double>> rows;
        constexpr std::size_t enough = 40000; // of the many that a fine pattern has, for five numbers
        for (std::size_t i = 0; i < cells.size(); i += 1 + cells.size() / enough) {
            const auto& [a, b] = cells[i];
            if (!a.isThere || !b.isThere) continue;
            const double light = linearLuma(a), other = linearLuma(b);
            constexpr double dark = 0.03, blown = 0.85; // where a gain is drowned, or cut off
            if (std::min(light, other) < dark || std::max(light, other) > blown) continue;
            rows.emplace_back(basisAt(a.x, a.y) - basisAt(b.x, b.y), std::log(light / other));
        }
        if (rows.size() < 200) return;
        std::vector<double> before, after;
        for (const auto& row : rows) before.push_back(std::abs(row.second));
        double spread = std::max(medianOf(before), 1e-6);
        for (int round = 0; round < 5; ++round) {
            Square square = Square::zeros();
            Factors right = Factors::all(0);
            for (const auto& [basis, value] : rows) {
                const double miss = (value - factors_.dot(basis)) / (2 * spread), weight = 1 / (1 + miss * miss);
                square += weight * basis * basis.t();
                right += weight * value * basis;
            }
            factors_ = square.solve(right, cv::DECOMP_SVD);
            after.clear();
            for (const auto& [basis, value] : rows) after.push_back(std::abs(value - factors_.dot(basis)));
            spread = std::max(medianOf(after), 1e-6);
        }
        constexpr double explains = 0.6, leastSeen = 0.02;
        double most = 0;
        for (const double x : {-0.7, 0.7})
            for (const double y : {-0.7, 0.7}) most = std::max(most, std::abs(at(x, y)));
        if (medianOf(after) > explains * medianOf(before) || most < leastSeen) clear();
    }

    static double linearLuma(const Reading& reading) {
        Vec3 linear{};
        for (std::size_t k = 0; k < 3; ++k) linear[k] = srgbToLinear(reading.rgb[k]);
        return lumaOf(linear);
    }

private:
    static Factors basisAt(double x, double y) {
        const double square = x * x + y * y;
        return {x, y, square, square * square, square * square * square};
    }
    Factors factors_ = Factors::all(0);
};

/// The nodes of a cube, red fastest.
struct Nodes {
    int size;
    std::vector<Vec3> rgb;
    std::vector<bool> isKnown;

    explicit Nodes(int n) : size(n), rgb(static_cast<std::size_t>(n) * n * n), isKnown(rgb.size()) {}
    std::size_t index(int r, int g, int b) const {
        return static_cast<std::size_t>(r) +
               static_cast<std::size_t>(size) *
                   (static_cast<std::size_t>(g) + static_cast<std::size_t>(size) * static_cast<std::size_t>(b));
    }
    /// The mean of those beside one, of all or of the known; nothing where there are none.
    std::optional<Vec3> beside(int r, int g, int b) const {
        Vec3 sum{};
        int count = 0;
        for (int axis = 0; axis < 3; ++axis)
            for (const int step : {-1, 1}) {
                int place[] = {r, g, b};
                place[axis] += step;
                if (place[axis] < 0 || place[axis] >= size) continue;
                const std::size_t i = index(place[0], place[1], place[2]);
                if (!isKnown[i]) continue;
                for (std::size_t k = 0; k < 3; ++k) sum[k] += rgb[i][k];
                ++count;
            }
        if (count == 0) return {};
        for (double& v : sum) v /= count;
        return sum;
    }
    template <class F>
    void each(F visit) const {
        for (int b = 0; b < size; ++b)
            for (int g = 0; g < size; ++g)
                for (int r = 0; r < size; ++r) visit(r, g, b, index(r, g, b));
    }
    /// The same from several threads.
    template <class F>
    void eachApart(F visit) const {
        forRows(size * size, [&](int row) {
            for (int r = 0; r < size; ++r) visit(r, row % size, row / size, index(r, row % size, row / size));
        });
    }
    /// Fills what is not known from what is beside it, from the edge of the known inward, and smooths that.
    void fill() {
        const std::vector<bool> wasKnown = isKnown;
        for (bool grows = true; grows;) {
            grows = false;
            std::vector<std::pair<std::size_t, Vec3>> fresh;
            each([&](int r, int g, int b, std::size_t i) {
                if (isKnown[i]) return;
                if (const auto mean = beside(r, g, b)) fresh.emplace_back(i, *mean);
            });
            for (const auto& [i, mean] : fresh) rgb[i] = mean, isKnown[i] = true, grows = true;
        }
        constexpr int rounds = 60;
        for (int round = 0; round < rounds; ++round)
            each([&](int r, int g, int b, std::size_t i) {
                if (!wasKnown[i])
                    if (const auto mean = beside(r, g, b)) rgb[i] = *mean;
            });
    }
};

double apart(const Vec3& a, const Vec3& b) {
    const auto held = [](Vec3 v) {
        for (double& c : v) c = std::clamp(c, 0.0, 1.0);
        return labFromSrgb(v);
    };
    return deltaE2000(held(a), held(b));
}

/// What came back as it was sent is the colour itself, not its nearest number in a file.
bool isUntouched(const Vec3& rgb, const std::array<int, 3>& node, int size) {
    constexpr double hair = 2e-6;
    for (const int bits : {8, 16}) {
        bool isSame = true;
        for (std::size_t k = 0; k < 3; ++k)
            isSame = isSame && std::abs(rgb[k] - patternNumber(node[k], size, bits)) < hair;
        if (isSame) return true;
    }
    return false;
}

LutTable tableOf(const Nodes& nodes) {
    LutTable table;
    table.grid.resize(3 * nodes.rgb.size());
    nodes.eachApart([&](int r, int g, int b, std::size_t i) {
        const bool isSame = isUntouched(nodes.rgb[i], {r, g, b}, nodes.size);
        const int node[] = {r, g, b};
        for (std::size_t k = 0; k < 3; ++k)
            table.grid[3 * i + k] = static_cast<float>(isSame ? double(node[k]) / (nodes.size - 1) : nodes.rgb[i][k]);
    });
    return table;
}

// Texts stand in free functions, where the collector of texts finds them without a class.
std::vector<std::string> remarksOn(const PatternAccount& a) {
    std::vector<std::string> all;
    constexpr double noTurn = 0.02;
    const bool isResized = std::abs(a.scaleX - 1) > 1e-3 || std::abs(a.scaleY - 1) > 1e-3;
    if (isResized)
        all.push_back(inWords("it came back at {:.0f} × {:.0f} % of its size: it was read at that", 100 * a.scaleX,
                              100 * a.scaleY));
    if (std::abs(a.turn) > noTurn) all.push_back(inWords("it is turned by {:.2f}°: it was read at that", a.turn));
    if (a.halfLost > 0) all.push_back(inWords("it is cropped: of {} colours one cell of two is left", a.halfLost));
    if (a.lost > 0)
        all.push_back(inWords("{} colours are lost to the crop: they were filled from those beside them", a.lost));
    // A picture that is made smaller or larger has such edges too.
    if (a.overshoot > (isResized ? 0.12 : 0.03))
        all.push_back(words("it was sharpened: cells were read away from their edges"));
    if (a.cornerStops != 0)
        all.push_back(
            inWords("a vignette of {}{:.2f} stops in the corners was taken out: what was graded above it is "
                    "only nearly right",
                    a.cornerStops < 0 ? "−" : "+", std::abs(a.cornerStops)));
    if (a.noise > 0.8)
        all.push_back(
            inWords("it has noise or grain of {:.1f} levels: it was averaged away as far as it goes", a.noise));
    if (a.disagreeing > 0)
        all.push_back(inWords("{} colours came back differently from two places: something was done to a part of it",
                              a.disagreeing));
    return all;
}

std::string profileText(const std::string& profile) {
    return inWords("it came back in another profile ({}): its colours were taken to sRGB", profile);
}

std::string jpegText() {
    return words("it is a JPEG: its losses are in the LUT; a PNG or TIFF of 16 bits is better");
}

Error notFound() {
    return {"", "", words("no pattern is found in it"),
            words("take a picture that was made of a pattern of ours, or of a square cube at its own size, with its "
                  "upper left corner in sight")};
}

LearntLut learnFromSquareCube(const Picture& picture, int level) {
    const int size = level * level;
    Nodes nodes(size);
    nodes.each([&](int r, int g, int b, std::size_t i) {
        const int place = r + size * (g + size * b);
        nodes.rgb[i] = at(picture, place % picture.width(), place / picture.width());
    });
    LearntLut learnt;
    learnt.table = tableOf(nodes);
    learnt.account.size = size, learnt.account.isSquareCube = true;
    learnt.account.remarks.push_back(words("a square cube is read pixel by pixel: whether it was cropped, sharpened "
                                           "or darkened toward its corners can't be told"));
    return learnt;
}

LearntLut learnFromOwn(const Picture& picture, const FoundPattern& found) {
    const PatternLayout layout(found.size);
    LearntLut learnt;
    PatternAccount& account = learnt.account;
    account.size = found.size, account.overshoot = found.overshoot;
    account.scaleX = found.scaleX(), account.scaleY = found.scaleY(), account.turn = found.turn();
    Nodes nodes(found.size);
    std::vector<std::array<Reading, kCopies>> cells(nodes.rgb.size());
    nodes.eachApart([&](int r, int g, int b, std::size_t i) {
        for (int copy = 0; copy < kCopies; ++copy)
            cells[i][static_cast<std::size_t>(copy)] =
                readCell(picture, found, layout.cell(r, g, b, copy), layout.cellSide());
    });
    std::vector<double> deviations;
    for (const auto& pair : cells)
        for (const Reading& reading : pair)
            if (reading.isThere) deviations.push_back(255 * reading.deviation);
    account.noise = medianOf(deviations);
    Falloff falloff;
    falloff.fit(cells);
    if (!falloff.isNone()) {
        for (auto& pair : cells)
            for (Reading& reading : pair) {
                const double gain = std::exp(-falloff.at(reading.x, reading.y));
                for (double& v : reading.rgb) v = linearToSrgb(srgbToLinear(v) * gain);
            }
        const double x = picture.width() / std::hypot(picture.width(), picture.height()),
                     y = picture.height() / std::hypot(picture.width(), picture.height());
        for (const double sx : {-x, x})
            for (const double sy : {-y, y}) account.cornerStops += falloff.at(sx, sy) / std::log(2) / 4;
    }
    std::vector<double> differences(cells.size(), 0), both;
    nodes.eachApart([&](int, int, int, std::size_t i) {
        const auto& [a, b] = cells[i];
        if (a.isThere && b.isThere && a.rgb != b.rgb) differences[i] = apart(a.rgb, b.rgb);
    });
    nodes.each([&](int, int, int, std::size_t i) {
        const auto& [a, b] = cells[i];
        nodes.isKnown[i] = a.isThere || b.isThere;
        if (a.isThere != b.isThere) ++account.halfLost;
        if (!nodes.isKnown[i]) ++account.lost;
        for (std::size_t k = 0; k < 3; ++k)
            nodes.rgb[i][k] = a.isThere && b.isThere ? (a.rgb[k] + b.rgb[k]) / 2 : a.isThere ? a.rgb[k] : b.rgb[k];
        if (a.isThere && b.isThere) both.push_back(differences[i]);
    });
    account.disagreement = medianOf(both);
    const double plain = std::max(1.5, 6 * account.disagreement);
    Nodes agreed = nodes;
    for (std::size_t i = 0; i < cells.size(); ++i) agreed.isKnown[i] = nodes.isKnown[i] && differences[i] <= plain;
    nodes.each([&](int r, int g, int b, std::size_t i) {
        if (differences[i] <= plain) return;
        ++account.disagreeing;
        const auto expected = agreed.beside(r, g, b);
        if (!expected) return;
        const auto& [one, other] = cells[i];
        nodes.rgb[i] = apart(one.rgb, *expected) <= apart(other.rgb, *expected) ? one.rgb : other.rgb;
    });
    if (account.lost > 0) nodes.fill();
    learnt.table = tableOf(nodes);
    account.remarks = remarksOn(account);
    return learnt;
}

} // namespace

LearntLut learnFromPattern(const Picture& picture, const Task* task) {
    if (const auto found = findPattern(picture, task)) return learnFromOwn(picture, *found);
    if (const auto level = squareCubeLevel(picture.width(), picture.height()))
        return learnFromSquareCube(picture, *level);
    throw notFound();
}

namespace {

bool isJpeg(const std::filesystem::path& file) {
    std::ifstream in(file, std::ios::binary);
    char head[2]{};
    in.read(head, 2);
    return in && head[0] == '\xff' && head[1] == '\xd8';
}

} // namespace

LearntLut learnFromPattern(const std::filesystem::path& file, const Task* task) {
    const PictureFile read = readPicture(file);
    LearntLut learnt;
    try {
        learnt = learnFromPattern(read.picture, task);
    } catch (const Error& e) {
        throw e.inFile(file.string());
    }
    auto& remarks = learnt.account.remarks;
    remarks.insert(remarks.end(), read.remarks.begin(), read.remarks.end());
    if (read.profileName != "sRGB" && read.profileName != "untagged")
        remarks.push_back(profileText(read.profileName));
    if (isJpeg(file)) remarks.push_back(jpegText());
    learnt.table.title = file.stem().string();
    return learnt;
}

} // namespace baryton
