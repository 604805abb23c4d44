#pragma once

namespace baryton {

/// The constants of Channel mix: a row-major matrix and an offset for each channel.
struct ChannelMixConstants {
    float matrix[9]{}, offset[3]{};
};

} // namespace baryton
