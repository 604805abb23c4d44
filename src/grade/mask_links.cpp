#include "grade/mask_links.h"
#include "grade/mask_moves.h"

#include <algorithm>
#include <functional>
#include <set>

namespace baryton {

namespace {

const Layer* layerOf(const std::vector<Layer>& look, const std::string& id) {
    const auto at = std::find_if(look.begin(), look.end(), [&](const Layer& each) { return each.id == id; });
    return at == look.end() ? nullptr : &*at;
}

/// Calls `visit` with each mask of another layer that stands in a mask, also within copies.
void eachOther(Mask& mask, const std::function<void(MaskOfLayer&)>& visit) {
    for (MaskShape& shape : mask.shapes) {
        auto* other = std::get_if<MaskOfLayer>(&shape.form);
        if (!other) continue;
        visit(*other);
        if (!other->layer.empty() || !other->mask) continue;
        Mask copy = *other->mask;
        eachOther(copy, visit);
        if (copy != *other->mask) other->mask = std::make_shared<const Mask>(std::move(copy));
    }
}

/// `onTheWay`: the layers whose masks are being resolved; a link to one of them leads back.
Mask resolved(const std::vector<Layer>& look, Mask mask, std::set<std::string>& onTheWay) {
    eachOther(mask, [&](MaskOfLayer& other) {
        const Layer* to = other.layer.empty() ? nullptr : layerOf(look, other.layer);
        if (!to || onTheWay.size() > static_cast<std::size_t>(kDeepestMask) || !onTheWay.insert(other.layer).second)
            return;
        // That of a layer that acts everywhere has no shapes: it is everything.
        other.mask = std::make_shared<const Mask>(resolved(look, to->mask ? *to->mask : Mask(), onTheWay));
        onTheWay.erase(other.layer);
    });
    return mask;
}

} // namespace

Mask resolvedMask(const std::vector<Layer>& look, const Layer& layer) {
    if (!layer.isMasked()) return {};
    std::set<std::string> onTheWay = {layer.id};
    return resolved(look, *layer.mask, onTheWay);
}

void resolveLinks(std::vector<Layer>& look) {
    std::vector<Mask> masks;
    masks.reserve(look.size());
    for (const Layer& layer : look) masks.push_back(resolvedMask(look, layer));
    for (std::size_t i = 0; i < look.size(); ++i)
        if (look[i].isMasked()) look[i].mask = std::move(masks[i]);
}

std::vector<std::string> linksOf(const Mask& mask) {
    std::vector<std::string> ids;
    Mask copy = mask;
    eachOther(copy, [&](MaskOfLayer& other) {
        if (!other.layer.empty()) ids.push_back(other.layer);
    });
    return ids;
}

namespace {

/// Makes a link a copy, which may hold links of its own.
void cut(MaskOfLayer& other, const std::vector<Layer>& whole) {
    const Layer* to = layerOf(whole, other.layer);
    Mask copy = to && to->mask ? *to->mask : Mask();
    other.layer.clear();
    other.mask = std::make_shared<const Mask>(std::move(copy));
}

} // namespace

void cutLinks(std::vector<Layer>& look, const std::string& layer) {
    const std::vector<Layer> before = look;
    for (Layer& each : look)
        if (each.mask && each.id != layer)
            eachOther(*each.mask, [&](MaskOfLayer& other) {
                if (other.layer == layer) cut(other, before);
            });
}

void cutLinksOutOf(std::vector<Layer>& part, const std::vector<Layer>& whole) {
    for (Layer& each : part) {
        if (!each.mask) continue;
        // A copy may bring further links out of the part with it; a ring of them ends at the deepest that may stand.
        for (int depth = 0; depth < kDeepestMask; ++depth) {
            const auto links = linksOf(*each.mask);
            const auto leads = [&](const std::string& id) { return !layerOf(part, id); };
            if (std::none_of(links.begin(), links.end(), leads)) break;
            eachOther(*each.mask, [&](MaskOfLayer& other) {
                if (!other.layer.empty() && leads(other.layer)) cut(other, whole);
            });
        }
    }
}

Mask withoutLink(const std::vector<Layer>& look, const Mask& mask, std::size_t shape) {
    Mask next = mask;
    MaskShape& at = next.shapes.at(shape);
    auto* other = std::get_if<MaskOfLayer>(&at.form);
    if (!other || other->layer.empty()) return next;
    cut(*other, look);
    const bool isAll = next.shapes.size() == 1 && at.way == MaskShape::Way::Add && other->mask->density == 1 &&
                       next.grow == 0 && next.feather == 0 && isIdentity(next.placement);
    if (!isAll) return next;
    Mask alone = *other->mask;
    alone.isInverted = alone.isInverted != (at.isInverted != next.isInverted);
    alone.density = next.density;
    return alone;
}

void renameLinks(Mask& mask, const std::map<std::string, std::string>& newIds) {
    eachOther(mask, [&](MaskOfLayer& other) {
        if (const auto at = newIds.find(other.layer); at != newIds.end()) other.layer = at->second;
    });
}

bool canLink(const std::vector<Layer>& look, const std::string& from, const std::string& to) {
    std::set<std::string> seen;
    const std::function<bool(const std::string&)> leadsBack = [&](const std::string& id) {
        if (id == from) return true;
        const Layer* layer = layerOf(look, id);
        if (!layer || !layer->mask || !seen.insert(id).second) return false;
        const auto links = linksOf(*layer->mask);
        return std::any_of(links.begin(), links.end(), leadsBack);
    };
    return layerOf(look, to) && !leadsBack(to);
}

} // namespace baryton
