// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/met_keys.h"

#include "base/content_key.h"

namespace yemvo {

std::uint64_t place_key(const Surface& surface, Point3 source) {
    return ContentKey().add(surface.key()).add(source.x).add(source.y).add(source.z).value();
}

std::uint64_t slabs_met_key(const Scene& scene, const RayHeights& h) {
    ContentKey key;
    key.add(scene.laws_key);
    for (std::size_t i = 0; i < scene.slabs.size(); ++i)
        if (scene.slabs[i].ramp || h.meets(scene.slabs[i].level_m, scene.slabs[i].level_m + 1e-9))
            key.add(scene.slab_keys[i]);
    return key.value();
}

std::uint64_t solids_met_key(const Scene& scene, const RayHeights& h) {
    ContentKey key;
    key.add(slabs_met_key(scene, h));
    for (std::size_t i = 0; i < scene.prisms.size(); ++i)
        if (h.meets(scene.prisms[i].base_m, scene.prisms[i].top_m)) key.add(scene.prism_keys[i]);
    return key.value();
}

}  // namespace yemvo
