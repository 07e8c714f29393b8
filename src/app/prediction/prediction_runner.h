// SPDX-License-Identifier: GPL-3.0-or-later
// Predicts behind the window, always the newest project it was given.
#pragma once
#include <QObject>
#include <chrono>
#include <optional>
#include <vector>

#include "app/behind/behind.h"
#include "app/model/prediction.h"
#include "coverage/floor_by_floor.h"
#include "coverage/verdict.h"
#include "project/project.h"

namespace yemvo::app {

class PredictionRunner : public QObject {
    Q_OBJECT
public:
    explicit PredictionRunner(const std::shared_ptr<MemoryBudget>&, QObject* parent = nullptr);

    /// The floor in view comes first. A newer request replaces one that waits; the one that runs gets to
    /// finish its first floor, so that the map follows a drag, and then gives way.
    /// `more` is worked out besides: what is of the floor in view first, what is of the site with the
    /// verdict. `of` comes back with the prediction.
    void request(const Project&, FloorId in_view, WantedWork more = {}, int of = 0);
    /// Stops what runs and waits; what has arrived stays.
    void cancel() { behind_.stop(); }
    bool is_idle() const { return behind_.is_idle(); }
    /// "Predicting, 40 %"; empty while nothing is predicted.
    QString doing() const { return behind_.words(); }

signals:
    void ready(std::shared_ptr<const yemvo::app::Prediction>);
    /// While a large site is judged floor by floor.
    void judged_so_far(int floors, int of_all);
    void progressed();
    void failed(const QString& message);

private:
    struct Request {
        Project project;
        FloorId in_view;
        WantedWork more;
        int of;
        PredictionWish wish() const;
        std::vector<FloorQuestion> questions() const;
    };
    void run(const Request&, const AtWork&);
    /// A site whose fields would not fit together: floor by floor, only the one in view stays.
    void run_by_floors(const Request&, const std::vector<FloorId>& order, std::shared_ptr<Prediction>,
                       const AtWork&);
    void add_results_of_view(const Request&, Prediction& to, const AtWork&);
    void hand_over(const AtWork&, std::shared_ptr<const Prediction>);
    void tidy();

    Predictor predictor_;
    FloorByFloor floors_{predictor_};
    /// Of the last site that was judged floor by floor: another floor in view asks for no new verdict.
    struct Judged {
        Project project;
        bool deviation;
        std::vector<std::string> asked;  ///< keys of the questions
        Verdict verdict;
        std::vector<std::vector<Answer>> answers;  ///< of each floor
    };
    bool is_judged(const Request&) const;
    Judged judge_floors(const Request&, const std::vector<FloorId>& order, const FloorPrediction& in_view,
                        const AtWork&);
    std::optional<Judged> judged_;
    /// As it was last: maps show it while that of a newer prediction is worked out.
    void note_air(const Prediction& whole);
    std::shared_ptr<const AirFigures> air_;
    std::chrono::steady_clock::time_point tidied_;
    Behind behind_;  ///< the last to come, since work uses the rest
};

}  // namespace yemvo::app
