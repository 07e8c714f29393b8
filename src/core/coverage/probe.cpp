#include "coverage/probe.h"

#include <algorithm>
#include <stdexcept>

namespace yemvo {

std::vector<LinkExplanation> probe(const Project& project, const Scene& scene, const Floor& floor,
                                   Point place) {
    if (scene.frame != building_with(project, floor.id).id)
        throw std::logic_error("a scene in the metres of another building");
    const Point3 receiver{place.x, place.y,
                          scene.floor(floor.id).ground_m(place) + project.settings.client_height_m};
    std::vector<LinkExplanation> links;
    for (const PlacedAccessPoint& placed : placed_access_points(project))
        for (std::size_t r = 0; r < placed.access_point->radios.size(); ++r)
            if (placed.access_point->radios[r].on)
                links.push_back(explain(project, scene, *placed.floor, *placed.access_point, r, receiver));
    std::stable_sort(links.begin(), links.end(), [](const LinkExplanation& a, const LinkExplanation& b) {
        return a.received_dbm > b.received_dbm;
    });
    return links;
}

}  // namespace yemvo
