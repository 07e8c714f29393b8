// SPDX-License-Identifier: GPL-3.0-or-later
// The face of a way to work out fields: on a whole surface, and at one place term by term. The direct way
// (direct_tier.h) is the first; another one stands beside it, and each field's key tells which made it.
#pragma once
#include <memory>
#include <optional>

#include "propagation/explain.h"
#include "propagation/gain_field.h"

namespace yemvo {

/// An access point's place over a surface, with the key of everything that its rays can meet. The scene and
/// the surface must outlive it.
struct RadioPlace {
    const std::shared_ptr<const Scene>& scene;
    const Surface& surface;
    Point3 source;
    std::uint64_t key;
    std::uint64_t slabs_key;  ///< of place, distances and slabs alone
    /// Slabs and distance take everything, whatever the walls; none where nobody has looked yet.
    std::optional<bool> silent;
};

/// Safe from several threads at once.
class FieldTier {
public:
    virtual ~FieldTier() = default;
    virtual std::uint64_t key() const = 0;  ///< another one for another way, or another manner of it
    /// Throws Cancelled.
    virtual GainField field(const RadioPlace&, const Antenna&, const Turn&, BandId, const CancelToken&) = 0;
    /// Standard deviation of what stands in the way [dB], a plane a band. Throws Cancelled.
    virtual std::shared_ptr<const std::vector<TilePlane>> deviation(const RadioPlace&,
                                                                    const CancelToken&) = 0;
    /// The link of one radio to a receiver in the scene; where a cell's centre is, it adds up to what the
    /// field says there.
    virtual LinkExplanation explain(const Project&, const Scene&, const Floor&, const AccessPoint&,
                                    std::size_t radio, Point3 receiver) const = 0;
    /// Sources traced so far, for tests and benchmarks.
    virtual std::size_t traced() const = 0;
};

}  // namespace yemvo
