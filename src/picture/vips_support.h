#pragma once
#include <memory>
#include <string>
#include <vips/vips8>

namespace baryton {

/// Starts the picture library; safe to call from anywhere and as often as wanted.
void initVips();

/// Memory that the picture library gave away.
struct VipsFree {
    void operator()(void* p) const { g_free(p); }
};
using VipsBytes = std::unique_ptr<void, VipsFree>;

/// The library's message about its last failure as one plain sentence, for an error of ours.
std::string tidyVipsMessage(const std::string& message);

} // namespace baryton
