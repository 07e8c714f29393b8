// SPDX-License-Identifier: GPL-3.0-or-later
// The newest prediction and verdict.
#pragma once
#include <QObject>
#include <memory>
#include <optional>
#include <set>

#include "app/model/prediction.h"

namespace yemvo::app {

class Document;
class InView;
class ShownMap;

class Results : public QObject {
    Q_OBJECT
public:
    Results(Document&, InView&, ShownMap&);
    const std::shared_ptr<const Prediction>& prediction() const { return prediction_; }
    const FloorPrediction* floor_prediction() const;
    /// What the map is drawn over: the floor, or for the lens of what is heard outside its surroundings.
    const FloorPrediction* map_prediction() const;
    void set_prediction(std::shared_ptr<const Prediction>);
    /// How many floors of a large site are judged so far, while others are still worked out; none when all
    /// are.
    struct JudgedSoFar {
        int floors, all;
    };
    const std::optional<JudgedSoFar>& judged_so_far() const { return judged_so_far_; }
    void set_judged_so_far(int floors, int all);
    /// Of the newest prediction; null where it is not there, or not yet.
    template <class T>
    const T* find() const {
        return prediction_ ? prediction_->more.find<T>() : nullptr;
    }

    void teach(ResultKind kind) { kinds_.push_back(std::move(kind)); }
    /// From now on, until `who` does not want it any more, predictions bring it along. True when nobody
    /// wanted it before: then it has been asked for.
    template <class T>
    bool want(const void* who, bool on) {
        return set_wanted(typeid(T), who, on);
    }
    /// What a wanted one is about has changed.
    template <class T>
    void want_anew() {
        if (is_wanted(typeid(T))) emit wanted();
    }
    /// What the wanted ones have to be worked out from, as things stand now.
    WantedWork wanted_work() const;
    /// One of them is of the floor in view alone.
    bool wants_of_view() const;

    const std::optional<Verdict>& verdict() const { return verdict_; }
    /// Verdict before the last edit that changed it, for showing the difference.
    const std::optional<Verdict>& previous_verdict() const { return previous_verdict_; }

    /// For the workspace, which tells afterwards: another project.
    void start();

signals:
    void changed();
    void floor_predicted();  ///< the floor in view alone; the rest follows
    void progressed();       ///< more floors are judged
    void wanted();           ///< something that may not be there yet

private:
    void take_part(const Prediction&);
    bool set_wanted(std::type_index, const void* who, bool on);
    bool is_wanted(std::type_index) const;
    Document& document_;
    InView& in_view_;
    ShownMap& shown_;
    std::shared_ptr<const Prediction> prediction_;
    std::optional<Verdict> verdict_, previous_verdict_;
    std::optional<JudgedSoFar> judged_so_far_;
    int judged_at_ = -1;
    std::vector<ResultKind> kinds_;
    std::set<std::pair<std::type_index, const void*>> wanted_;
};

}  // namespace yemvo::app
