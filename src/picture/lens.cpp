#include "picture/lens.h"
#include "base/file.h"
#include "base/librarys_leaks.h"
#include "base/words.h"

#include <algorithm>
#include <cmath>
#include <lensfun/lensfun.h>
#include <map>
#include <memory>
#include <mutex>
#include <system_error>

namespace baryton {

namespace {

/// Lensfun's database, read once. It is only asked under its lock: the library says nothing of threads.
class Database {
public:
    static Database& instance() {
        static Database all;
        return all;
    }

    std::mutex lock;
    std::vector<std::filesystem::path> unread;
    std::map<std::pair<std::string, std::string>, LensCorrection> found; ///< by what was asked

    lfDatabase& read() {
        if (isRead_) return all_;
        isRead_ = true;
        {
            const LibrarysLeaks nameOfItsFolder; // Lensfun 0.3.3
            all_.Load();
        }
        add(userLensFolder());
        return all_;
    }
    void add(const std::filesystem::path& folder) {
        read();
        std::error_code none;
        const LibrarysLeaks unfinishedLenses; // of files that end early or are damaged
        for (const auto& entry : std::filesystem::directory_iterator(folder, none))
            if (entry.path().extension() == ".xml" && all_.Load(entry.path().c_str()) != LF_NO_ERROR)
                unread.push_back(entry.path());
        found.clear();
    }

private:
    lfDatabase all_;
    bool isRead_ = false;
};

/// The maker's name only where the model does not begin with it.
std::string nameOf(const lfLens& lens) {
    const std::string maker = lf_mlstr_get(lens.Maker) ? lf_mlstr_get(lens.Maker) : "";
    const std::string model = lf_mlstr_get(lens.Model) ? lf_mlstr_get(lens.Model) : "";
    return maker.empty() || model.starts_with(maker) ? model : maker + " " + model;
}

/// Gives back what the library hands out.
struct Freed {
    void operator()(const void* list) const { lf_free(const_cast<void*>(list)); }
};

const lfCamera* cameraOf(lfDatabase& all, const Shot& shot) {
    if (shot.cameraModel.empty()) return nullptr;
    const std::unique_ptr<const lfCamera*, Freed> cameras(
        all.FindCameras(shot.cameraMaker.empty() ? nullptr : shot.cameraMaker.c_str(), shot.cameraModel.c_str()));
    return cameras ? cameras.get()[0] : nullptr;
}

bool reaches(const lfLens& lens, double focal) {
    constexpr double slack = 1.06; // what is engraved and what files say differ a little
    return focal <= 0 || lens.MinFocal <= 0 || (focal * slack >= lens.MinFocal && focal <= lens.MaxFocal * slack);
}

/// Of several entries for a lens the one measured on the sensor that is next larger than the shot's, so that all of
/// it was measured.
const lfLens* named(lfDatabase& all, const std::string& name, double crop) {
    const lfLens* best = nullptr;
    const auto isBetter = [&](const lfLens& lens) {
        if (!best) return true;
        constexpr double slack = 1.02;
        const bool covers = lens.CropFactor <= crop * slack, bestCovers = best->CropFactor <= crop * slack;
        if (covers != bestCovers) return covers;
        return covers ? lens.CropFactor > best->CropFactor : lens.CropFactor < best->CropFactor;
    };
    for (const lfLens* const* each = all.GetLenses(); each && *each; ++each)
        if (nameOf(**each) == name && isBetter(**each)) best = *each;
    return best;
}

/// The lens that a file names, or the only one of a camera whose lens can't be changed.
const lfLens* ownLens(lfDatabase& all, const lfCamera* camera, const Shot& shot) {
    if (!camera && shot.lens.empty()) return nullptr;
    const std::unique_ptr<const lfLens*, Freed> lenses(
        all.FindLenses(camera, nullptr, shot.lens.empty() ? nullptr : shot.lens.c_str()));
    if (!lenses || !lenses.get()[0] || !reaches(*lenses.get()[0], shot.focal)) return nullptr;
    if (!shot.lens.empty()) {
        // The library finds parts of names too. Among a camera's lenses they tell enough, among all of them they do
        // not.
        const bool isWhole =
            nameOf(*lenses.get()[0]) == shot.lens || lf_mlstr_get(lenses.get()[0]->Model) == shot.lens;
        return camera || isWhole ? lenses.get()[0] : nullptr;
    }
    // Without a name it must be the only one.
    const std::string name = nameOf(*lenses.get()[0]);
    for (std::size_t i = 1; lenses.get()[i]; ++i)
        if (nameOf(*lenses.get()[i]) != name) return nullptr;
    return lenses.get()[0];
}

/// The camera's crop factor; from what the file says of focal lengths where the camera is not known; else 0.
double cropOf(const lfCamera* camera, const Shot& shot) {
    if (camera && camera->CropFactor > 0) return camera->CropFactor;
    const double told = shot.focal > 0 && shot.focal35 > 0 ? shot.focal35 / shot.focal : 0;
    return told >= 0.2 && told <= 20 ? told : 0;
}

template <class Terms, std::size_t count>
void copyTerms(const Terms& from, std::array<float, count>& to) {
    std::copy(std::begin(from), std::end(from), to.begin());
}

LensCorrection calibrationOf(const lfLens& lens, double crop, const Shot& shot) {
    LensCorrection c;
    c.lens = nameOf(lens);
    c.lensCrop = lens.CropFactor > 0 ? lens.CropFactor : 1;
    c.lensAspect = lens.AspectRatio > 0 ? lens.AspectRatio : 1.5;
    c.crop = crop > 0 ? crop : c.lensCrop;
    c.centreX = lens.CenterX, c.centreY = lens.CenterY;
    c.focal = shot.focal > 0 ? shot.focal : lens.MinFocal;
    const auto focal = static_cast<float>(c.focal);
    if (lfLensCalibDistortion d{}; lens.InterpolateDistortion(focal, d))
        c.distortionModel = d.Model, copyTerms(d.Terms, c.distortion);
    if (lfLensCalibTCA t{}; lens.InterpolateTCA(focal, t)) c.fringeModel = t.Model, copyTerms(t.Terms, c.fringes);
    constexpr double farAway = 1000; // m, where the file does not say
    const double distance = shot.distance > 0 ? shot.distance : farAway;
    if (lfLensCalibVignetting v{};
        shot.aperture > 0 && lens.InterpolateVignetting(focal, float(shot.aperture), float(distance), v))
        c.shadingModel = v.Model, copyTerms(v.Terms, c.shading);
    return c;
}

/// All that the answer depends on beside the lens's name.
std::string keyOf(const Shot& s) {
    std::string key = s.cameraMaker + '\n' + s.cameraModel + '\n' + s.lens;
    for (const double number : {s.focal, s.focal35, s.aperture, s.distance}) key += '\n' + std::to_string(number);
    return key;
}

} // namespace

LensCorrection correctionFor(const LensSettings& settings, const Shot& shot) {
    if (!settings.isWanted) return {};
    Database& database = Database::instance();
    const std::lock_guard<std::mutex> guard(database.lock);
    const auto key = std::pair(settings.lens, keyOf(shot));
    auto at = database.found.find(key);
    if (at == database.found.end()) {
        lfDatabase& all = database.read();
        const lfCamera* camera = cameraOf(all, shot);
        const double crop = cropOf(camera, shot);
        const lfLens* lens =
            settings.lens.empty() ? ownLens(all, camera, shot) : named(all, settings.lens, crop > 0 ? crop : 1);
        at = database.found.emplace(key, lens ? calibrationOf(*lens, crop, shot) : LensCorrection()).first;
    }
    LensCorrection result = at->second;
    result.settings = settings;
    result.orientation = shot.orientation;
    return result;
}

double focalFor35(const Shot& shot) {
    if (shot.focal35 > 0) return shot.focal35;
    if (shot.focal <= 0) return 0; // without asking for all cameras known
    Database& database = Database::instance();
    const std::lock_guard<std::mutex> guard(database.lock);
    return shot.focal * cropOf(cameraOf(database.read(), shot), shot);
}

std::string lensProblem(const LensCorrection& c, const Shot& shot) {
    const LensSettings& wanted = c.settings;
    if (!wanted.isWanted || (wanted.distortion == 0 && wanted.fringes == 0 && wanted.shading == 0)) return {};
    if (c.lens.empty()) {
        if (!wanted.lens.empty()) return inWords("nothing is known of the lens {}", wanted.lens);
        if (!shot.lens.empty()) return inWords("nothing is known of its lens, {}", shot.lens);
        return words("the file does not say by which lens it was taken");
    }
    std::string lacks;
    const auto add = [&](bool isMissing, const std::string& what) {
        if (isMissing) lacks += (lacks.empty() ? "" : ", ") + what;
    };
    add(wanted.distortion != 0 && c.distortionModel == 0, words("its distortion"));
    add(wanted.fringes != 0 && c.fringeModel == 0, words("its fringes"));
    add(wanted.shading != 0 && c.shadingModel == 0,
        shot.aperture > 0 ? words("its shading") : words("its shading (the file says no aperture)"));
    return lacks.empty() ? lacks : inWords("of {} is not known: {}", c.lens, lacks);
}

std::vector<std::string> knownLenses(const Shot& shot, std::size_t& fitting) {
    Database& database = Database::instance();
    const std::lock_guard<std::mutex> guard(database.lock);
    lfDatabase& all = database.read();
    std::vector<std::string> first, rest;
    if (const lfCamera* camera = cameraOf(all, shot)) {
        const std::unique_ptr<const lfLens*, Freed> lenses(all.FindLenses(camera, nullptr, nullptr));
        for (std::size_t i = 0; lenses && lenses.get()[i]; ++i)
            if (reaches(*lenses.get()[i], shot.focal)) first.push_back(nameOf(*lenses.get()[i]));
    }
    for (const lfLens* const* each = all.GetLenses(); each && *each; ++each) rest.push_back(nameOf(**each));
    for (auto* list : {&first, &rest}) {
        std::sort(list->begin(), list->end());
        list->erase(std::unique(list->begin(), list->end()), list->end());
    }
    fitting = first.size();
    for (const std::string& name : rest)
        if (!std::binary_search(first.begin(), first.begin() + static_cast<std::ptrdiff_t>(fitting), name))
            first.push_back(name);
    return first;
}

void addLensFolder(const std::filesystem::path& folder) {
    Database& database = Database::instance();
    const std::lock_guard<std::mutex> guard(database.lock);
    database.add(folder);
}

std::filesystem::path userLensFolder() {
    return userDataFolder() / "lenses";
}

std::vector<std::filesystem::path> unreadLensFiles() {
    Database& database = Database::instance();
    const std::lock_guard<std::mutex> guard(database.lock);
    return database.unread;
}

} // namespace baryton
