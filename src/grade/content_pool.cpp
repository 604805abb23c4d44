#include "grade/content_pool.h"
#include "base/file.h"

namespace baryton {

namespace {

template <class T>
void append(std::string& bytes, const T* values, std::size_t count) {
    bytes.append(reinterpret_cast<const char*>(values), count * sizeof(T));
}

bool hasContent(const Json& value) {
    return value.contains("grid") || value.contains("shaper") || value.contains("image");
}

} // namespace

std::string ContentPool::keyOf(const std::shared_ptr<const LutTable>& table) {
    std::string& key = keys_[table.get()];
    if (!key.empty()) return key;
    std::string bytes = table->title + '\0';
    for (const auto* range : {&table->shaperMin, &table->shaperMax, &table->gridMin, &table->gridMax})
        append(bytes, range->data(), range->size());
    append(bytes, table->shaper.data(), table->shaper.size());
    bytes += '\0';
    append(bytes, table->grid.data(), table->grid.size());
    return key = contentHash(bytes);
}

std::string ContentPool::keyOf(const std::shared_ptr<const std::string>& picture) {
    std::string& key = keys_[picture.get()];
    return key.empty() ? key = contentHash(*picture) : key;
}

void ContentPool::lookThrough(const Json& document) {
    found_.clear();
    const auto visit = [&](const auto& self, const Json& json) -> void {
        if (!json.is_structured()) return;
        if (json.is_object() && json.contains("content") && json["content"].is_string() && hasContent(json))
            found_.try_emplace(json["content"].get<std::string>(), &json);
        else
            for (const auto& item : json) self(self, item);
    };
    visit(visit, document);
}

Json ContentPool::whole(const Json& part) const {
    if (!part.is_structured()) return part;
    if (part.is_object() && part.contains("content") && part["content"].is_string()) {
        Json value = part;
        if (const Json* known = hasContent(part) ? nullptr : at(part["content"].get<std::string>())) {
            value = *known;
            value.update(part); // its own name
        }
        value.erase("content");
        return value;
    }
    Json copy = part.is_array() ? Json::array() : Json::object();
    for (const auto& [key, item] : part.items())
        if (part.is_array())
            copy.push_back(whole(item));
        else
            copy[key] = whole(item);
    return copy;
}

const Json* ContentPool::at(const std::string& key) const {
    const auto found = found_.find(key);
    return found == found_.end() ? nullptr : found->second;
}

} // namespace baryton
