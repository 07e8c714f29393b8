// SPDX-License-Identifier: GPL-3.0-or-later
// Work on all cores where there is enough of it.
#pragma once
#include <tbb/parallel_for.h>

#include <cstddef>

namespace yemvo {

/// Values (cells times what is looked at in each) below which one core is done with them before others have
/// woken up; they would spin in vain.
inline constexpr std::size_t worth_waking = 2'000'000;

template <class Work>
void each(std::size_t count, bool on_all_cores, const Work& work) {
    if (on_all_cores)
        tbb::parallel_for(std::size_t{0}, count, work);
    else
        for (std::size_t i = 0; i < count; ++i) work(i);
}

}  // namespace yemvo
