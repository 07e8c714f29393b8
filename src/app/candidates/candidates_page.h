// SPDX-License-Identifier: GPL-3.0-or-later
// Access points that could stand at one place, side by side: their maps, moving together, and a table of
// figures.
#pragma once
#include <QWidget>
#include <map>

#include "app/behind/behind.h"
#include "app/candidates/candidate_map.h"
#include "app/model/workspace.h"

class QComboBox;
class QHBoxLayout;
class QLabel;
class QPushButton;

namespace yemvo::app {

class CandidateHead;
class FiguresTable;
class StepLegend;

class CandidatesPage : public QWidget {
    Q_OBJECT
public:
    static constexpr std::size_t most = 4;
    CandidatesPage(Workspace&, QWidget* parent = nullptr);
    /// For an access point of the floor in view.
    void open(AccessPointId);
    bool is_idle() const { return behind_.is_idle(); }
    Behind& behind() { return behind_; }
    const std::vector<AccessPoint>& candidates() const { return candidates_; }
    std::shared_ptr<const CandidateResult> result(std::size_t i) const { return results_[i]; }

signals:
    void left();

protected:
    void keyPressEvent(QKeyEvent*) override;
    void paintEvent(QPaintEvent*) override;

private:
    QWidget* make_head();
    QWidget* make_controls();
    void rebuild_columns();
    void add();
    void leave_possible();
    void remove(std::size_t);
    void change(std::size_t, const std::function<void(AccessPoint&)>& how);
    void choose(std::size_t);
    void work_out();
    void taken(std::vector<std::shared_ptr<const CandidateResult>>);
    void refresh_maps();
    void refresh_table();
    void fill_walls();
    void move_to(Point);
    void fit();
    void copy_table() const;
    void use_chosen();
    CandidateQuestion question() const;
    Workspace& workspace_;
    Behind behind_;
    std::shared_ptr<Predictor> predictor_;
    FloorId floor_;
    AccessPointId of_;
    std::vector<AccessPoint> candidates_;
    std::vector<std::shared_ptr<const CandidateResult>> results_;
    StepView view_;
    std::size_t chosen_ = 0;
    bool fitted_ = false, open_ = false;
    QLabel *title_, *about_;
    QPushButton *add_, *use_;
    QComboBox *lens_, *place_, *difference_;
    std::array<QComboBox*, 2> walls_{};
    std::array<QPushButton*, 3> bands_{};
    QWidget* columns_ = nullptr;
    QHBoxLayout* row_;
    std::vector<CandidateHead*> heads_;
    std::vector<CandidateMap*> maps_;
    CandidateMap* change_map_ = nullptr;
    StepLegend* legend_;
    FiguresTable* table_;
};

}  // namespace yemvo::app
