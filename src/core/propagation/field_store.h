// Gain fields kept by content, so that retuning traces nothing, undo costs nothing, and a changed wall redoes
// only what its shadow can reach.
#pragma once
#include <atomic>
#include <memory>
#include <mutex>
#include <optional>
#include <unordered_map>

#include "base/content_key.h"
#include "gear/access_point.h"
#include "propagation/gain_field.h"
#include "propagation/ray_heights.h"
#include "propagation/shadow_raster.h"

namespace yemvo {

/// Safe from several threads at once.
class FieldStore {
public:
    /// `scenes`: shared with another store; of its own when null.
    explicit FieldStore(std::shared_ptr<MemoryBudget> = std::make_shared<MemoryBudget>(usual_budget_bytes()),
                        std::shared_ptr<SceneCache> scenes = nullptr);

    /// An access point's place over a surface, with the key of everything that its rays can meet. The scene
    /// and the surface must outlive it.
    struct Place {
        const std::shared_ptr<const Scene>& scene;
        const Surface& surface;
        Point3 source;
        std::uint64_t key;
        std::uint64_t slabs_key;  ///< of place, distances and slabs alone
        /// Slabs and distance take everything, whatever the walls; none where nobody has looked yet.
        std::optional<bool> silent;
    };
    Place place(const std::shared_ptr<const Scene>&, const Surface&, Point3 source);
    /// Looks whether it is silent, where nobody has.
    void settle(Place&, const CancelToken&);
    /// The field of one radio. Moving its access point or changing what its rays can meet traces; aim,
    /// antenna and mount redo the gain stage; power, channel, width and on/off need nothing. Throws
    /// Cancelled.
    std::shared_ptr<const GainField> field(const Place&, const Antenna&, const Turn&, BandId,
                                           const CancelToken&);
    /// Of all that a field is made from.
    static std::uint64_t key(const Place&, const Antenna&, const Turn&, BandId);
    /// The same if it is kept, else null.
    std::shared_ptr<const GainField> kept_field(const Place&, const Antenna&, const Turn&, BandId);
    /// Standard deviation of what stands in the way [dB], a plane a band; worked out when first asked for.
    std::shared_ptr<const std::vector<TilePlane>> deviation(const Place&, const CancelToken&);
    const std::shared_ptr<SceneCache>& scenes() { return scenes_; }
    /// Obstructions worked out so far, for tests and benchmarks.
    std::size_t traced() const { return traced_; }

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
    std::shared_ptr<const Obstruction> obstruction(const Place&, const CancelToken&);
    std::shared_ptr<const Obstruction> untouched(const Place&, const Last&);
    std::shared_ptr<const Changed> changed(const std::shared_ptr<const Scene>& from,
                                           const std::shared_ptr<const Scene>& to);

    ContentCache<Obstruction> obstructions_;
    ContentCache<std::vector<TilePlane>> deviations_;
    ContentCache<GainField> fields_;
    std::shared_ptr<SceneCache> scenes_;
    /// Of what rays between two heights can meet.
    struct Met {
        std::uint64_t slabs, all;
    };
    Met met(const Scene&, const RayHeights&);

    std::mutex met_mutex_;  ///< of the next
    std::unordered_map<std::uint64_t, Met> met_;
    std::mutex mutex_;  ///< of the next two
    std::unordered_map<std::uint64_t, Last> last_;
    std::shared_ptr<const Changed> changed_;
    std::atomic<std::size_t> traced_ = 0;
};

}  // namespace yemvo
