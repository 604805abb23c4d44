#include "batch/output_json.h"
#include "base/error.h"
#include "base/utf8.h"
#include "base/words.h"

#include <algorithm>
#include <functional>
#include <type_traits>
#include <utility>

namespace baryton {

namespace {

/// A field of the object: how it is written and read.
struct OutputField {
    std::string key;
    std::function<Json(const OutputSettings&)> get;
    std::function<bool(OutputSettings&, const Json&)> set; ///< false for what it can't be
};

// `member` is a function that gives a member of settings, constant where they are.

template <class Member>
OutputField number(std::string key, Member member, double least, double most) {
    using T = std::remove_cvref_t<decltype(member(std::declval<OutputSettings&>()))>;
    return {std::move(key), [member](const OutputSettings& o) { return Json(member(o)); },
            [member, least, most](OutputSettings& o, const Json& j) {
                if (!j.is_number() || j.get<double>() < least || j.get<double>() > most) return false;
                if (std::is_integral_v<T> && j.get<double>() != double(j.get<T>())) return false;
                member(o) = j.get<T>();
                return true;
            }};
}

template <class Member>
OutputField truth(std::string key, Member member) {
    return {std::move(key), [member](const OutputSettings& o) { return Json(member(o)); },
            [member](OutputSettings& o, const Json& j) {
                if (!j.is_boolean()) return false;
                member(o) = j.get<bool>();
                return true;
            }};
}

template <class Member>
OutputField text(std::string key, Member member) {
    return {std::move(key), [member](const OutputSettings& o) { return Json(member(o)); },
            [member](OutputSettings& o, const Json& j) {
                if (!j.is_string()) return false;
                member(o) = j.get<std::string>();
                return true;
            }};
}

template <class Member>
OutputField path(std::string key, Member member) {
    return {std::move(key), [member](const OutputSettings& o) { return Json(asUtf8(member(o).string())); },
            [member](OutputSettings& o, const Json& j) {
                if (!j.is_string()) return false;
                member(o) = j.get<std::string>();
                return true;
            }};
}

template <class Member, class Enum>
OutputField word(std::string key, Member member, std::string (*name)(Enum),
                 std::optional<Enum> (*fromName)(const std::string&)) {
    return {std::move(key), [member, name](const OutputSettings& o) { return Json(name(member(o))); },
            [member, fromName](OutputSettings& o, const Json& j) {
                const auto found = j.is_string() ? fromName(j.get<std::string>()) : std::nullopt;
                if (found) member(o) = *found;
                return found.has_value();
            }};
}

OutputField size() {
    return {"size", [](const OutputSettings& o) { return Json(sizeWishText(o.size)); },
            [](OutputSettings& o, const Json& j) {
                if (!j.is_string()) return false;
                SizeWish wish = sizeWishFromText(j.get<std::string>());
                wish.enlarges = o.size.enlarges;
                o.size = wish;
                return true;
            }};
}

// The formatter takes the return type for a comparison.
// clang-format off
#define BARYTON_MEMBER(member) [](auto& o) -> auto& { return o.member; }
// clang-format on

const std::vector<OutputField>& fields() {
    static const std::vector<OutputField> all = {
        word("format", BARYTON_MEMBER(format.format), fileFormatName, fileFormatFromName),
        number("bits", BARYTON_MEMBER(format.bits), 8, 32),
        number("quality", BARYTON_MEMBER(format.quality), 1, 100),
        word("chroma", BARYTON_MEMBER(format.chroma), chromaName, chromaFromName),
        truth("progressive", BARYTON_MEMBER(format.isProgressive)),
        truth("lossless", BARYTON_MEMBER(format.isLossless)),
        word("compression", BARYTON_MEMBER(format.compression), compressionName, compressionFromName),
        truth("dither", BARYTON_MEMBER(format.dithers)),
        number("dpi", BARYTON_MEMBER(format.dotsPerInch), 0, 10000),
        word("ground", BARYTON_MEMBER(format.ground), groundName, groundFromName),
        word("metadata", BARYTON_MEMBER(format.metadata), metadataKeptName, metadataKeptFromName),
        text("author", BARYTON_MEMBER(format.author)),
        text("copyright", BARYTON_MEMBER(format.copyright)),
        size(),
        truth("enlarge", BARYTON_MEMBER(size.enlarges)),
        word("profile", BARYTON_MEMBER(profile.space), spaceName, spaceFromName),
        path("profileFile", BARYTON_MEMBER(profile.file)),
        word("intent", BARYTON_MEMBER(profile.intent), intentName, intentFromName),
        truth("blackPoint", BARYTON_MEMBER(profile.hasBlackPoint)),
        word("sharpen", BARYTON_MEMBER(sharpenFor), sharpenName, sharpenFromName),
        number("sharpening", BARYTON_MEMBER(sharpening), 0, 2),
        text("mark", BARYTON_MEMBER(mark.text)),
        path("markPicture", BARYTON_MEMBER(mark.picture)),
        word("markPlace", BARYTON_MEMBER(mark.place), markPlaceName, markPlaceFromName),
        number("markSize", BARYTON_MEMBER(mark.size), 0.5, 100),
        number("markStrength", BARYTON_MEMBER(mark.strength), 0, 1),
    };
    return all;
}

#undef BARYTON_MEMBER

} // namespace

Json outputToJson(const OutputSettings& output) {
    Json json = Json::object();
    const OutputSettings usual;
    for (const OutputField& field : fields())
        if (field.key == "format" || field.get(output) != field.get(usual)) json[field.key] = field.get(output);
    return json;
}

OutputSettings outputFromJson(const Json& json, const OutputSettings& usual) {
    OutputSettings output = usual;
    for (const OutputField& field : fields()) {
        const auto at = json.find(field.key);
        if (at == json.end()) continue;
        try {
            if (field.set(output, *at)) continue;
        } catch (const Error& e) {
            throw Error("", "/" + field.key, e.problem(), e.hint());
        }
        throw Error("", "/" + field.key, inWords("\"{}\" can't be {}", field.key, at->dump()),
                    words("see the guide to the command line for what each field takes"));
    }
    try {
        requireDepth(output.format);
    } catch (const Error& e) {
        throw Error("", "/bits", e.problem(), e.hint());
    }
    return output;
}

std::vector<std::string> outputFields() {
    std::vector<std::string> names;
    for (const OutputField& field : fields()) names.push_back(field.key);
    return names;
}

OutputSettings outputFromText(const std::string& text, const OutputSettings& usual) {
    Json json = Json::object();
    std::size_t from = 0;
    for (bool isFirst = true; from <= text.size(); isFirst = false) {
        const std::size_t end = std::min(text.find(',', from), text.size());
        const std::string part = text.substr(from, end - from);
        from = end + 1;
        const std::size_t equals = part.find('=');
        if (isFirst && equals == std::string::npos) {
            json["format"] = part;
            continue;
        }
        const std::string key = part.substr(0, equals);
        const auto names = outputFields();
        if (equals == std::string::npos || std::find(names.begin(), names.end(), key) == names.end()) {
            std::string all;
            for (const std::string& name : names) all += (all.empty() ? "" : ", ") + name;
            throw Error("", "", inWords("\"{}\" is no field of a file", part),
                        inWords("write the format, then fields as name=value, of: {}", all));
        }
        const std::string value = part.substr(equals + 1);
        // A field is a text or not, whatever stands there: a copyright of 2026 is no number.
        const auto& field =
            *std::find_if(fields().begin(), fields().end(), [&](const auto& f) { return f.key == key; });
        json[key] = field.get({}).is_string() ? Json(value) : Json::parse(value, nullptr, false);
    }
    OutputSettings base = usual;
    // A depth is the format's own until it is said.
    if (json.contains("format") && !json.contains("bits")) base.format.bits = 8;
    return outputFromJson(json, base);
}

} // namespace baryton
