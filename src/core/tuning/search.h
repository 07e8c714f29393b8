// SPDX-License-Identifier: GPL-3.0-or-later
// The best settings of an instance: a tabu search over exact increments from several starts, and for small
// parts the proven optimum.
// Source: Hertz & de Werra 1987 (tabu colouring), Glover 1989, Brelaz 1979 (order of the start).
#pragma once
#include <functional>

#include "base/progress.h"
#include "tuning/instance.h"

namespace yemvo {

struct SearchWish {
    std::uint64_t seed = 1;
    int starts = 4;
    /// Moves of each start: so many, and more with each radio of a part.
    int moves = 30'000, moves_a_radio = 100;
    double seconds = 20;        ///< at most; a search that hits it is not the same on another machine
    double exact_seconds = 20;  ///< at most for proofs, of all parts together; 0: none
    std::uint64_t exact_steps = 200'000;  ///< of the proof of each part
    std::size_t most_exact = 60;          ///< radios of a part that a proof is tried for
    /// Told from any thread when something better is known, a few times a second at most.
    std::function<void(const Assignment&, double objective)> better = {};
};

struct SearchResult {
    Assignment chosen;
    double objective = 0;
    double lower_bound = 0;
    bool proven = false;  ///< no settings are better
    bool out_of_time = false;
    double seconds = 0;
    double worst_start =
        0;                  ///< objective of the worst of the starts: their spread tells how sure the best is
    std::size_t parts = 0;  ///< that have nothing to do with each other
};

/// Cancelled: the best so far. An instance without radios gives nothing.
SearchResult search(const RetuneInstance&, const SearchWish& = {}, const CancelToken& = {});

}  // namespace yemvo
