// Gain fields kept by content, so that retuning traces nothing and undo costs nothing.
#pragma once
#include <memory>

#include "base/content_key.h"
#include "gear/access_point.h"
#include "propagation/gain_field.h"
#include "propagation/shadow_raster.h"

namespace yemvo {

/// Safe from several threads at once.
class FieldStore {
public:
    explicit FieldStore(std::size_t budget_bytes = std::size_t{768} << 20);

    /// The field of one radio. Moving its access point or changing a wall traces; aim, antenna and mount redo
    /// the gain stage; power, channel, width and on/off need nothing. Throws Cancelled.
    std::shared_ptr<const GainField> field(const Scene&, const Surface&, Point3 source, const Antenna&,
                                           const Turn&, BandId, const CancelToken&);
    MaskCache& masks() { return masks_; }
    std::size_t traced() const {
        return traced_;
    }  ///< obstructions worked out so far, for tests and benchmarks

private:
    std::shared_ptr<const Obstruction> obstruction(const Scene&, const Surface&, Point3 source,
                                                   std::uint64_t key, const CancelToken&);
    std::shared_ptr<const Directions> directions(const Surface&, Point3 source, const Turn&);
    ContentCache<Obstruction> obstructions_;
    ContentCache<Directions> directions_;
    ContentCache<GainField> fields_;
    MaskCache masks_;
    std::atomic<std::size_t> traced_ = 0;
};

}  // namespace yemvo
