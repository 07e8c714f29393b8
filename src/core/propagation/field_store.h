// SPDX-License-Identifier: GPL-3.0-or-later
// Gain fields kept by content, so that retuning traces nothing, undo costs nothing, and a changed wall redoes
// only what its shadow can reach.
#pragma once
#include <memory>
#include <mutex>
#include <unordered_map>

#include "base/content_key.h"
#include "gear/access_point.h"
#include "propagation/field_tier.h"
#include "propagation/loss_overlay.h"
#include "propagation/ray_heights.h"

namespace yemvo {

/// Safe from several threads at once.
class FieldStore {
public:
    /// `scenes`: shared with another store; of its own when null. `tier`: the direct one when null.
    explicit FieldStore(
        const std::shared_ptr<MemoryBudget>& = std::make_shared<MemoryBudget>(usual_budget_bytes()),
        std::shared_ptr<SceneCache> scenes = nullptr, std::shared_ptr<FieldTier> tier = nullptr);

    RadioPlace place(const std::shared_ptr<const Scene>&, const Surface&, Point3 source);
    /// Looks whether it is silent, where nobody has.
    void settle(RadioPlace&, const CancelToken&);
    /// The field of one radio, with the losses of the overlay where there is one. Moving its access point or
    /// changing what its rays can meet traces; aim, antenna and mount redo the gain stage; power, channel,
    /// width and on/off need nothing. Throws Cancelled.
    std::shared_ptr<const GainField> field(const RadioPlace&, const Antenna&, const Turn&, BandId,
                                           const CancelToken&, const LossOverlay* = nullptr);
    /// Of all that a field is made from: place, antenna, aim, band, tier and overlay.
    std::uint64_t key(const RadioPlace&, const Antenna&, const Turn&, BandId,
                      const LossOverlay* = nullptr) const;
    /// The same if it is kept, else null.
    std::shared_ptr<const GainField> kept_field(const RadioPlace&, const Antenna&, const Turn&, BandId,
                                                const LossOverlay* = nullptr);
    /// Standard deviation of what stands in the way [dB], a plane a band; worked out when first asked for.
    std::shared_ptr<const std::vector<TilePlane>> deviation(const RadioPlace& place,
                                                            const CancelToken& cancel) {
        return tier_->deviation(place, cancel);
    }
    const std::shared_ptr<SceneCache>& scenes() { return scenes_; }
    const FieldTier& tier() const { return *tier_; }
    /// Sources traced so far, for tests and benchmarks.
    std::size_t traced() const { return tier_->traced(); }

private:
    ContentCache<GainField> fields_;
    std::shared_ptr<SceneCache> scenes_;
    std::shared_ptr<FieldTier> tier_;
    /// Of what rays between two heights can meet.
    struct Met {
        std::uint64_t slabs, all;
    };
    Met met(const Scene&, const RayHeights&);

    std::mutex met_mutex_;  ///< of the next
    std::unordered_map<std::uint64_t, Met> met_;
};

}  // namespace yemvo
