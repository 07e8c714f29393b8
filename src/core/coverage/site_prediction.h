// SPDX-License-Identifier: GPL-3.0-or-later
// The whole site predicted: surfaces, masks and reductions, floor by floor.
#pragma once
#include <cstdint>
#include <functional>
#include <memory>
#include <optional>
#include <vector>

#include "base/progress.h"
#include "coverage/air_figures.h"
#include "coverage/cable_lengths.h"
#include "coverage/floor_memo.h"
#include "coverage/neighbour_field.h"
#include "coverage/reduction_store.h"

namespace yemvo {

class CableReach;

/// What a cell counts for.
struct CellMask {
    std::uint64_t key = 0;             ///< equal for equal content
    std::vector<std::uint8_t> inside;  ///< inside the building and not a void
    std::vector<std::uint8_t> shown;   ///< inside, and not where nobody needs service: the map is drawn here
    std::vector<std::uint8_t>
        demanded;  ///< shown, and in a served zone; on a floor without served zones all of it
    std::vector<std::uint16_t>
        zone;  ///< index + 1 into the floor's zones of the zone that counts here; 0 for none
};

struct FloorPrediction {
    FloorId floor;
    Surface surface;
    std::shared_ptr<const Scene> scene;
    std::shared_ptr<const CellMask> mask;
    std::shared_ptr<const std::vector<RadioField>> radios;  ///< all that are on, on any floor
    std::vector<std::shared_ptr<const Reduction>> by_band;  ///< of all radios, by band index
    std::vector<std::uint8_t> band_in_use;                  ///< some radio that is on works there
    std::vector<std::uint64_t> band_keys;  ///< of all that the lenses of a band are worked out from
    std::shared_ptr<const NeighbourField> neighbours;  ///< never null
    std::shared_ptr<FloorMemo> memo;                   ///< what was worked out from such floors before
    std::shared_ptr<const AirFigures> air = {};  ///< at the busy hour looked at; null while it is not known
    std::shared_ptr<const CableLengths> cables = {};  ///< null unless asked for
};

struct SitePrediction {
    std::vector<FloorPrediction> floors;  ///< in the order asked for
    const FloorPrediction* find(FloorId) const;
};

struct PredictionWish {
    std::optional<double> cell_m = {};  ///< of another grid than the project's own
    bool deviation = false;             ///< also how far off the radios' fields may be
    bool cables = false;                ///< also how long cables to the nearest closet would be
    /// The surface reaches so far beyond the building, and its mask holds what lies outside instead of
    /// inside.
    double beyond_m = 0;
    /// Losses on top; the explanations of links have to be asked for with the same.
    std::shared_ptr<const LossOverlay> overlay = nullptr;
    /// Told the share of the work that is done, now and then and from any thread.
    std::function<void(double share)> progress = {};
};

/// Keeps what it worked out, so that the next prediction of a slightly different project is quick.
class Predictor {
public:
    /// `scenes`: shared with another; of its own when null. `tier`: the direct one when null.
    explicit Predictor(
        const std::shared_ptr<MemoryBudget>& = std::make_shared<MemoryBudget>(usual_budget_bytes()),
        std::shared_ptr<SceneCache> scenes = nullptr, std::shared_ptr<FieldTier> tier = nullptr);
    ~Predictor();
    /// The floors in the order given (all when empty). `done` is told each floor as it is ready.
    /// Throws Cancelled.
    SitePrediction predict(const Project&, std::vector<FloorId> floors = {}, const PredictionWish& = {},
                           const CancelToken& = {},
                           const std::function<void(const FloorPrediction&)>& done = {});
    /// Of all that a floor's prediction is made from: equal keys give predictions that nobody can tell apart,
    /// but for the order of the radios. Traces nothing; throws Cancelled.
    std::uint64_t floor_key(const Project&, FloorId, const PredictionWish&, const CancelToken&);
    FieldStore& store() { return store_; }
    const MemoryBudget& budget() const { return *budget_; }

private:
    std::shared_ptr<const CellMask> mask(const Scene&, const Surface&, const Floor&, bool outside);
    std::shared_ptr<const NeighbourField> neighbours(const Neighbours&, const Project&, FloorId,
                                                     const Surface&);
    std::shared_ptr<const CableLengths> cables(const Project&, const Surface&, const CancelToken&);
    std::shared_ptr<MemoryBudget> budget_;
    FieldStore store_;
    ContentCache<CellMask> masks_;
    ContentCache<NeighbourField> neighbours_;
    std::unique_ptr<const CableReach> cable_reach_;
    std::uint64_t cable_reaches_ = 0;  ///< how many were worked out so far
    ContentCache<CableLengths> cable_lengths_;
    ReductionStore reductions_;
    std::shared_ptr<FloorMemo> memo_;
};

}  // namespace yemvo
