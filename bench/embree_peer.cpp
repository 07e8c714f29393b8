// SPDX-License-Identifier: GPL-3.0-or-later
#include "bench/embree_peer.h"

#include <embree3/rtcore.h>

#include <algorithm>
#include <cmath>

namespace yemvo::bench {
namespace {

struct Quad {
    int row;
    bool solid;
};

constexpr std::size_t most_bands = 3;

/// What the filter adds to: one packet.
struct Packet {
    RTCIntersectContext context;
    const std::vector<Quad>* quads;
    const std::vector<std::vector<AngleLaw>>* laws;
    float per_distance[16], distance[16];
    float loss[most_bands][16];
};

void collect(const RTCFilterFunctionNArguments* a) {
    Packet& packet = *reinterpret_cast<Packet*>(a->context);
    for (unsigned i = 0; i < a->N; ++i) {
        if (a->valid[i] == 0) continue;
        a->valid[i] = 0;  // go on
        const Quad& quad = (*packet.quads)[RTCHitN_primID(a->hit, a->N, i)];
        const float nx = RTCHitN_Ng_x(a->hit, a->N, i), ny = RTCHitN_Ng_y(a->hit, a->N, i),
                    nz = RTCHitN_Ng_z(a->hit, a->N, i);
        const float dx = RTCRayN_dir_x(a->ray, a->N, i), dy = RTCRayN_dir_y(a->ray, a->N, i),
                    dz = RTCRayN_dir_z(a->ray, a->N, i);
        const unsigned lane = RTCRayN_id(a->ray, a->N, i);
        const float along = nx * dx + ny * dy + nz * dz;
        const auto& laws = (*packet.laws)[static_cast<std::size_t>(quad.row)];
        if (quad.solid) {
            const float t = RTCRayN_tfar(a->ray, a->N, i), way = (along > 0 ? t : -t) * packet.distance[lane];
            for (std::size_t b = 0; b < most_bands; ++b) packet.loss[b][lane] += way * laws[b].c[0][0];
            continue;
        }
        const float u = std::abs(along) * packet.per_distance[lane] / std::sqrt(nx * nx + ny * ny + nz * nz);
        const AngleLaw& places = laws[0];
        const float held = std::clamp(u, AngleLaw::least_u, 1.0f);
        const float at = places.place[0] + held * (places.place[1] + held * places.place[2]);
        const auto piece = static_cast<std::size_t>(std::clamp(static_cast<int>(at), 0, places.pieces - 1));
        const float v = at - static_cast<float>(piece) - 0.5f;
        for (std::size_t b = 0; b < most_bands; ++b) {
            const auto& c = laws[b].c;
            packet.loss[b][lane] +=
                laws[b].flat ? c[0][0]
                             : c[0][piece] + v * (c[1][piece] + v * (c[2][piece] + v * c[3][piece]));
        }
    }
}

bool one_octant(const RTCRay16& rays, const int* valid) {
    int seen[3] = {0, 0, 0};
    for (int i = 0; i < 16; ++i) {
        if (!valid[i]) continue;
        seen[0] |= rays.dir_x[i] < 0 ? 1 : 2;
        seen[1] |= rays.dir_y[i] < 0 ? 1 : 2;
        seen[2] |= rays.dir_z[i] < 0 ? 1 : 2;
    }
    return seen[0] != 3 && seen[1] != 3 && seen[2] != 3;
}

}  // namespace

struct EmbreePeer::State {
    RTCDevice device = rtcNewDevice("threads=1");
    RTCScene scene = rtcNewScene(device);
    std::vector<Quad> quads;
    std::vector<float> corners;
    const std::vector<std::vector<AngleLaw>>* laws = nullptr;
    Scene const* from = nullptr;

    void add(Point3 a, Point3 b, Point3 c, Point3 d, int row, bool solid) {
        for (Point3 p : {a, b, c, d})
            for (double v : {p.x, p.y, p.z}) corners.push_back(static_cast<float>(v));
        quads.push_back({row, solid});
    }
    void add_flat(Box box, double z, int row) {
        if (box.width() <= 0 || box.height() <= 0) return;
        add({box.low.x, box.low.y, z}, {box.high.x, box.low.y, z}, {box.high.x, box.high.y, z},
            {box.low.x, box.high.y, z}, row, false);
    }
};

EmbreePeer::EmbreePeer(const Scene& scene) : state_(new State) {
    State& s = *state_;
    s.laws = &scene.laws;
    s.from = &scene;
    for (const ScenePanel& p : scene.panels)
        s.add({p.a.x, p.a.y, p.base_m}, {p.b.x, p.b.y, p.base_m}, {p.b.x, p.b.y, p.top_m},
              {p.a.x, p.a.y, p.top_m}, p.row, false);
    Box all{{1e9, 1e9}, {-1e9, -1e9}};
    for (const ScenePanel& p : scene.panels)
        for (Point c : {p.a, p.b}) {
            all.low = {std::min(all.low.x, c.x), std::min(all.low.y, c.y)};
            all.high = {std::max(all.high.x, c.x), std::max(all.high.y, c.y)};
        }
    for (const SceneSlab& slab : scene.slabs) {
        if (slab.voids.empty()) {
            s.add_flat(all, slab.level_m, slab.row);
            continue;
        }
        const Box hole = *bounds(slab.voids.front());
        s.add_flat({all.low, {all.high.x, hole.low.y}}, slab.level_m, slab.row);
        s.add_flat({{all.low.x, hole.high.y}, all.high}, slab.level_m, slab.row);
        s.add_flat({{all.low.x, hole.low.y}, {hole.low.x, hole.high.y}}, slab.level_m, slab.row);
        s.add_flat({{hole.high.x, hole.low.y}, {all.high.x, hole.high.y}}, slab.level_m, slab.row);
    }
    for (const ScenePrism& p : scene.prisms) {
        const std::size_t n = p.outline.size();
        for (std::size_t i = 0; i < n; ++i) {
            const Point a = p.outline[i], b = p.outline[(i + 1) % n];
            s.add({a.x, a.y, p.base_m}, {b.x, b.y, p.base_m}, {b.x, b.y, p.top_m}, {a.x, a.y, p.top_m}, p.row,
                  true);
        }
        const auto at = [&](std::size_t i, double z) { return Point3{p.outline[i].x, p.outline[i].y, z}; };
        s.add(at(0, p.top_m), at(1, p.top_m), at(2, p.top_m), at(3, p.top_m), p.row, true);
        s.add(at(3, p.base_m), at(2, p.base_m), at(1, p.base_m), at(0, p.base_m), p.row, true);
    }
    const RTCGeometry geometry = rtcNewGeometry(s.device, RTC_GEOMETRY_TYPE_QUAD);
    auto* corners = static_cast<float*>(rtcSetNewGeometryBuffer(geometry, RTC_BUFFER_TYPE_VERTEX, 0,
                                                                RTC_FORMAT_FLOAT3, 12, s.corners.size() / 3));
    std::copy(s.corners.begin(), s.corners.end(), corners);
    auto* index = static_cast<unsigned*>(
        rtcSetNewGeometryBuffer(geometry, RTC_BUFFER_TYPE_INDEX, 0, RTC_FORMAT_UINT4, 16, s.quads.size()));
    for (unsigned i = 0; i < s.quads.size() * 4; ++i) index[i] = i;
    rtcSetGeometryOccludedFilterFunction(geometry, collect);
    rtcCommitGeometry(geometry);
    rtcAttachGeometry(s.scene, geometry);
    rtcReleaseGeometry(geometry);
    // the highest quality splits quads over several leaves, and their hits would come twice
    rtcSetSceneBuildQuality(s.scene, RTC_BUILD_QUALITY_MEDIUM);
    rtcCommitScene(s.scene);
}

EmbreePeer::~EmbreePeer() {
    rtcReleaseScene(state_->scene);
    rtcReleaseDevice(state_->device);
    delete state_;
}

std::string EmbreePeer::version() const {
    const auto v = rtcGetDeviceProperty(state_->device, RTC_DEVICE_PROPERTY_VERSION);
    return std::to_string(v / 10000) + "." + std::to_string(v / 100 % 100) + "." + std::to_string(v % 100);
}

void EmbreePeer::cast(const Surface& surface, Point3 source, std::vector<float>& out) const {
    out.resize(surface.cells() * most_bands);
    const Point3 from = engine_source(*state_->from, source);
    Packet packet;
    rtcInitIntersectContext(&packet.context);
    packet.quads = &state_->quads;
    packet.laws = state_->laws;
    alignas(64) RTCRay16 rays;
    alignas(64) int valid[16];
    for (int ty = 0; ty < surface.rows; ty += 4)
        for (int tx = 0; tx < surface.columns; tx += 4) {
            for (auto& band : packet.loss) std::fill(band, band + 16, 0.0f);
            for (int i = 0; i < 16; ++i) {
                const int c = tx + i % 4, r = ty + i / 4;
                valid[i] = c < surface.columns && r < surface.rows ? -1 : 0;
                const Point3 way = surface.receiver(surface.centre(c, r)) - from;
                rays.org_x[i] = static_cast<float>(from.x);
                rays.org_y[i] = static_cast<float>(from.y);
                rays.org_z[i] = static_cast<float>(from.z);
                rays.dir_x[i] = static_cast<float>(way.x);
                rays.dir_y[i] = static_cast<float>(way.y);
                rays.dir_z[i] = static_cast<float>(way.z);
                rays.tnear[i] = 0;
                rays.tfar[i] = 1;
                rays.time[i] = 0;
                rays.mask[i] = ~0u;
                rays.id[i] = static_cast<unsigned>(i);
                rays.flags[i] = 0;
                packet.distance[i] = static_cast<float>(length(way));
                packet.per_distance[i] = 1 / packet.distance[i];
            }
            // a coherent packet over a change of octant is walked once an octant, and its hits come twice
            packet.context.flags = one_octant(rays, valid) ? RTC_INTERSECT_CONTEXT_FLAG_COHERENT
                                                           : RTC_INTERSECT_CONTEXT_FLAG_INCOHERENT;
            rtcOccluded16(valid, state_->scene, &packet.context, &rays);
            for (int i = 0; i < 16; ++i)
                if (valid[i])
                    for (std::size_t b = 0; b < most_bands; ++b)
                        out[surface.index(tx + i % 4, ty + i / 4) * most_bands + b] = packet.loss[b][i];
        }
}

}  // namespace yemvo::bench
