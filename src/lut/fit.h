#pragma once
#include "lut/bake.h"

#include <optional>
#include <string>
#include <vector>

namespace baryton {

/// A Look as a grid of `size`³ nodes that are fitted, not sampled: so that what readers make between them by
/// tetrahedra comes as near the Look as it can. Least squares over up to 400 000 colours of the cube and those of the
/// given pictures,
///
///     Σ wᵢ |Σₖ aᵢₖ xₖ − yᵢ|² + λ |x − x₀|²        aᵢₖ tetrahedral weights, yᵢ the Look, x₀ the sampled nodes
///
/// by conjugate gradients (Hestenes and Stiefel 1952), wᵢ being how much CIELAB changes with the numbers there, then
/// twice more with each weight grown by the error that was left. Corners and neutrals stay as they were sampled. It
/// is made anew in the same way for the same input, whatever the number of threads. Size 2…129.
LutTable fittedLook(const Grade& grade, int size, const std::string& title, const std::vector<Picture>& pictures = {},
                    const BakeOptions& options = {}, const Task* task = nullptr);

/// How the nodes of a LUT come about.
enum class NodeWay {
    Best, ///< fitted where that is measured to be better, over the cube and on the pictures; else sampled
    Sampled,
    Fitted
};
struct ChosenNodes {
    LutTable table;
    bool isFitted = false;
    Fidelity fidelity;               ///< of the table as a file of the format holds it
    std::optional<Fidelity> sampled; ///< of sampled nodes, where fitted ones were chosen over them
};
/// Finer grids than this are sampled: they leave little to fit, and have more nodes than there are samples.
constexpr int kFinestFit = 65;
ChosenNodes chosenNodes(const Grade& grade, int size, const std::string& title, NodeWay way,
                        const std::vector<Picture>& pictures = {}, const BakeOptions& options = {},
                        const Task* task = nullptr);

} // namespace baryton
