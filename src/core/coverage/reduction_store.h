// SPDX-License-Identifier: GPL-3.0-or-later
// Reductions kept by content. Where one access point alone changed, the others' are not gone through again: a
// drag merges one field a frame.
#pragma once
#include <atomic>
#include <map>
#include <mutex>
#include <optional>

#include "base/content_key.h"
#include "coverage/reduction.h"

namespace yemvo {

/// Safe from several threads.
class ReductionStore {
public:
    explicit ReductionStore(const std::shared_ptr<MemoryBudget>& budget)
        : whole_reductions_(budget, std::size_t{64} << 20), without_one_(budget, std::size_t{32} << 20) {}
    /// Of all radios of a band.
    std::shared_ptr<const Reduction> of(std::span<const RadioField>, BandId, const Surface&);
    /// Times that the fields of all access points were gone through, for tests.
    std::size_t whole() const { return whole_; }

private:
    /// What an access point adds to a band.
    struct Part {
        AccessPointId access_point;
        std::uint64_t key;
    };
    static std::vector<Part> parts(std::span<const RadioField>, BandId);
    std::optional<std::size_t> only_change(std::uint64_t place, const std::vector<Part>&);
    std::shared_ptr<const Reduction> without(std::span<const RadioField>, BandId, const Surface&,
                                             const std::vector<Part>&, std::size_t left_out);

    ContentCache<Reduction> whole_reductions_, without_one_;
    std::mutex mutex_;  ///< of the next
    std::map<std::uint64_t, std::vector<Part>> last_;
    std::atomic<std::size_t> whole_ = 0;
};

}  // namespace yemvo
