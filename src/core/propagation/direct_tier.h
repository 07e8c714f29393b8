// SPDX-License-Identifier: GPL-3.0-or-later
// Straight ways alone: free space, and what stands on the line between antenna and receiver.
#pragma once
#include <atomic>
#include <mutex>
#include <unordered_map>

#include "base/content_key.h"
#include "propagation/field_tier.h"

namespace yemvo {

/// Keeps what stands in the way of each source, so that retuning traces nothing, and a changed wall redoes
/// only what its shadow can reach.
class DirectTier : public FieldTier {
public:
    DirectTier(const std::shared_ptr<MemoryBudget>&, std::shared_ptr<SceneCache>);
    std::uint64_t key() const override { return 1; }
    GainField field(const RadioPlace&, const Antenna&, const Turn&, BandId, const CancelToken&) override;
    std::shared_ptr<const std::vector<TilePlane>> deviation(const RadioPlace&, const CancelToken&) override;
    LinkExplanation explain(const Project&, const Scene&, const Floor&, const AccessPoint&, std::size_t radio,
                            Point3 receiver) const override;
    std::size_t traced() const override { return traced_; }

private:
    struct Last {
        std::weak_ptr<const Scene> scene;  ///< kept by the scene cache while it is recent
        std::weak_ptr<const Obstruction> obstruction;
    };
    /// Panels that two scenes do not share.
    struct Changed {
        std::shared_ptr<const Scene> from, to;
        std::vector<ScenePanel> removed, added;
    };
    std::shared_ptr<const Obstruction> obstruction(const RadioPlace&, const CancelToken&);
    std::shared_ptr<const Obstruction> untouched(const RadioPlace&, const Last&);
    std::shared_ptr<const Changed> changed(const std::shared_ptr<const Scene>& from,
                                           const std::shared_ptr<const Scene>& to);

    ContentCache<Obstruction> obstructions_;
    ContentCache<std::vector<TilePlane>> deviations_;
    std::shared_ptr<SceneCache> scenes_;
    std::mutex mutex_;  ///< of the next two
    std::unordered_map<std::uint64_t, Last> last_;
    std::shared_ptr<const Changed> changed_;
    std::atomic<std::size_t> traced_ = 0;
};

}  // namespace yemvo
