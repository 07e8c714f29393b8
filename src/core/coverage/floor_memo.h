// SPDX-License-Identifier: GPL-3.0-or-later
// What requirements need of a floor, kept by what it was worked out from: a change of one band leaves the
// others' values as they are.
#pragma once
#include <memory>
#include <vector>

#include "coverage/rate_table.h"

namespace yemvo {

struct AskedCells;

/// Planes of values. The memory of those that nobody holds any more is used again: in a drag the same planes
/// are made frame after frame, and fresh memory would cost more than the work. Safe from several threads.
class PlaneStore {
public:
    using Plane = std::vector<float>;
    explicit PlaneStore(const std::shared_ptr<MemoryBudget>& budget) : kept_(budget, std::size_t{24} << 20) {}
    std::shared_ptr<const Plane> find(std::uint64_t key) { return kept_.find(key); }
    /// A plane of any size and content.
    Plane take() { return spare_->take(); }
    std::shared_ptr<const Plane> keep(std::uint64_t key, Plane made) {
        const std::size_t bytes = made.size() * sizeof(float);
        const std::shared_ptr<const Plane> shared(new Plane(std::move(made)), [spare = spare_](Plane* p) {
            spare->give(std::move(*p));
            delete p;
        });
        kept_.keep(key, shared, bytes);
        return shared;
    }

private:
    class Spare {
    public:
        Plane take() {
            const std::lock_guard lock(mutex_);
            if (planes_.empty()) return {};
            Plane last = std::move(planes_.back());
            planes_.pop_back();
            bytes_ -= last.capacity() * sizeof(float);
            return last;
        }
        void give(Plane plane) {
            constexpr std::size_t most_bytes = std::size_t{16} << 20;
            const std::lock_guard lock(mutex_);
            const std::size_t bytes = plane.capacity() * sizeof(float);
            if (bytes_ + bytes > most_bytes) return;
            bytes_ += bytes;
            planes_.push_back(std::move(plane));
        }

    private:
        std::mutex mutex_;
        std::vector<Plane> planes_;
        std::size_t bytes_ = 0;
    };
    std::shared_ptr<Spare> spare_ = std::make_shared<Spare>();
    ContentCache<Plane> kept_;
};

/// Safe from several threads.
struct FloorMemo {
    explicit FloorMemo(const std::shared_ptr<MemoryBudget>& budget)
        : lens_planes(budget), asked_cells(budget, std::size_t{32} << 20) {}
    PlaneStore lens_planes;
    RateTables rate_tables;
    ContentCache<AskedCells> asked_cells;
};

}  // namespace yemvo
