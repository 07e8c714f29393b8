// What the window shows while no project is open, and for a new one: everything on one page.
#pragma once
#include <QWidget>

#include "project/project.h"

class QLineEdit;
class QComboBox;
class QSpinBox;
class QLabel;
class QVBoxLayout;
class QPushButton;

namespace yemvo::app {

class StartPage : public QWidget {
    Q_OBJECT
public:
    explicit StartPage(QWidget* parent = nullptr);
    void prepare(const QStringList& recent_files, bool can_go_back);
    QLineEdit* name_field() { return name_; }

signals:
    void create_asked(const yemvo::Project&);
    void open_asked();
    void open_file_asked(const QString& file);
    void demo_asked();
    void back_asked();

private:
    void create();
    void paintEvent(QPaintEvent*) override;
    QLineEdit *name_, *height_;
    QComboBox *country_, *units_;
    QSpinBox* floors_;
    QLabel* fault_;
    QVBoxLayout* recent_;
    QPushButton* back_;
};

}  // namespace yemvo::app
