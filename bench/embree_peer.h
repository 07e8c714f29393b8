// SPDX-License-Identifier: GPL-3.0-or-later
// The same obstruction worked out link by link with Embree: what the wall-shadow raster is measured against.
#pragma once
#include "propagation/scene.h"
#include "propagation/surface.h"

namespace yemvo::bench {

/// A general ray tracing kernel in its fastest mode for this: coherent packets of 16 occlusion rays, one tile
/// of 4x4 cells each, whose filter collects every hit and its loss by the same angle law. Panels and level
/// slabs are quads (slabs cut round their voids), solids six quads whose hits add up to the way inside.
class EmbreePeer {
public:
    explicit EmbreePeer(const Scene&);
    ~EmbreePeer();
    EmbreePeer(const EmbreePeer&) = delete;
    /// Loss [dB] at each cell and band: out[cell * bands + band]; solids that saturate are not handled.
    void cast(const Surface&, Point3 source, std::vector<float>& out) const;
    std::string version() const;

private:
    struct State;
    State* state_;
};

}  // namespace yemvo::bench
